/**
 * A function of an object and what else its result depends on, computed again only when one of them is another object.
 * The model is never changed in place, so the same object is the same content.
 */
export function memoised<K extends object, D extends readonly unknown[], R>(
  compute: (key: K, ...dependencies: D) => R,
): (key: K, ...dependencies: D) => R {
  const cache = new WeakMap<K, { dependencies: D; result: R }>();
  return (key, ...dependencies) => {
    const before = cache.get(key);
    if (
      before &&
      before.dependencies.length === dependencies.length &&
      before.dependencies.every((dependency, index) => dependency === dependencies[index])
    ) {
      return before.result;
    }
    const result = compute(key, ...dependencies);
    cache.set(key, { dependencies, result });
    return result;
  };
}
