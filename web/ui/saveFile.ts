/** Gives the person something as a JSON file. */
export function saveFile(name: string, what: unknown): void {
  const url = URL.createObjectURL(
    new Blob([`${JSON.stringify(what, null, 1)}\n`], { type: 'application/json' }),
  );
  const link = document.createElement('a');
  link.href = url;
  link.download = name;
  link.click();
  URL.revokeObjectURL(url);
}
