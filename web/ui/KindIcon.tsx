import {
  Clock,
  CreditCard,
  Film,
  FormInput,
  Images,
  List,
  Minus,
  MoveVertical,
  Quote,
  Share2,
  Sparkle,
  Stamp,
  TableProperties,
  Columns2,
  FileText,
  Heading,
  Image,
  Menu,
  MousePointerClick,
  Pilcrow,
  RectangleHorizontal,
  Rows2,
  Square,
  type LucideIcon,
} from 'lucide-react';

const ICONS: Record<string, LucideIcon> = {
  page: FileText,
  section: RectangleHorizontal,
  row: Columns2,
  column: Rows2,
  heading: Heading,
  text: Pilcrow,
  button: MousePointerClick,
  picture: Image,
  navigation: Menu,
  card: CreditCard,
  list: List,
  quote: Quote,
  gallery: Images,
  video: Film,
  icon: Sparkle,
  divider: Minus,
  spacer: MoveVertical,
  logo: Stamp,
  social: Share2,
  prices: TableProperties,
  hours: Clock,
  form: FormInput,
};

/** The sign of a kind of element in lists; the name beside it says the rest. */
export function KindIcon({ kind }: { kind: string }) {
  const Icon = ICONS[kind] ?? Square;
  return <Icon size={14} aria-hidden style={{ flex: 'none', opacity: 0.75 }} />;
}
