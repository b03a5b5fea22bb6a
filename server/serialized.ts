/** Does work of one name one piece after the other, in the order in which it is asked for; work of other names goes on beside it. */
export function turns() {
  const last = new Map<string, Promise<unknown>>();
  return async <T>(name: string, work: () => Promise<T>): Promise<T> => {
    const turn = (last.get(name) ?? Promise.resolve()).then(work, work);
    last.set(name, turn);
    try {
      return await turn;
    } finally {
      if (last.get(name) === turn) last.delete(name);
    }
  };
}
