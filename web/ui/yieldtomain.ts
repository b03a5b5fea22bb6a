interface Tasks {
  postTask(run: () => void, options: { priority: 'background' }): Promise<void>;
}

/** Waits until nothing that a person waits for is left to be done. */
export function yieldToMain(): Promise<void> {
  const { scheduler } = window as unknown as { scheduler?: Tasks };
  if (scheduler) return scheduler.postTask(() => undefined, { priority: 'background' });
  return new Promise((resolve) => setTimeout(resolve));
}
