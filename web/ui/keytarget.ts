/** Whether a key or the clipboard is for something else than the workbench's own keys: a field, the table of values, a dialog, a menu. */
export const isElsewhere = (target: EventTarget | null): boolean =>
  target instanceof Element &&
  target.closest('input, textarea, select, [contenteditable], [role=grid], [role=dialog], [role=menu]') !==
    null;

/**
 * Whether a letter or sign that was typed is no shortcut: these are heard only where what they act on has the keyboard, in the outline, at
 * marks over a sheet, and in a sheet, which hands its keys on (WCAG 2.2, 2.1.4).
 */
export const isNoShortcut = ({ target, isTrusted }: Event): boolean =>
  isElsewhere(target) ||
  (isTrusted &&
    !(target instanceof Element && target.closest('[role=treegrid], .desk-sheets, [data-move-grip]')));
