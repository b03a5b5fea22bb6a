/** Tidies the database while it is used: after so many edits, and when nothing has been edited for a while. */
export function tidying(tidy: () => Promise<void>, every = 200, idle = 5000) {
  let edits = 0;
  let timer: NodeJS.Timeout | undefined;
  let running = Promise.resolve();
  const run = () => {
    edits = 0;
    // A database that cannot be tidied now serves on; the next edits ask again.
    running = running.then(tidy).catch(() => undefined);
  };
  return {
    edited(): void {
      clearTimeout(timer);
      if (++edits >= every) run();
      else timer = setTimeout(run, idle).unref();
    },
    async stop(): Promise<void> {
      clearTimeout(timer);
      await running;
    },
  };
}

export type Tidying = ReturnType<typeof tidying>;
