/** Whether a key or the clipboard is for something else than the workbench's own keys: a field, the table of values, a dialog, a menu. */
export const isElsewhere = (target: EventTarget | null): boolean =>
  target instanceof Element &&
  target.closest('input, textarea, select, [contenteditable], [role=grid], [role=dialog], [role=menu]') !==
    null;
