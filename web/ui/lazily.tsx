import { lazy, Suspense, type ComponentType, type ReactNode } from 'react';

/**
 * Returns a component that is loaded when it is first shown, or before, as soon as the browser has nothing else to do: a screen does not wait
 * for what it does not show at first.
 */
export function lazily<Props extends object>(
  load: () => Promise<ComponentType<Props>>,
  fallback: ReactNode = null,
): ComponentType<Props> {
  // What cannot be loaded now is tried again when it is shown.
  globalThis.requestIdleCallback?.(() => void load().catch(() => undefined));
  const Loaded = lazy(async () => ({ default: await load() })) as ComponentType<Props>;
  return function Lazily(props: Props) {
    return (
      <Suspense fallback={fallback}>
        <Loaded {...props} />
      </Suspense>
    );
  };
}
