declare module 'fs-native-extensions' {
  /** Locks some bytes of an open file, for writing or for reading; false where another has them. */
  export function tryLock(
    descriptor: number,
    offset?: number,
    length?: number,
    options?: { shared?: boolean },
  ): boolean;
}
