import { Icon } from 'lucide-react';
import { knownKind } from '../../core/index.ts';

/** The sign of a kind of element in lists; the name beside it says the rest. */
export const KindIcon = ({ kind }: { kind: string }) => (
  <Icon iconNode={knownKind(kind).icon} size={14} aria-hidden style={{ flex: 'none', opacity: 0.75 }} />
);
