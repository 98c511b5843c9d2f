/** Whether what is typed there becomes text. */
export const isWriting = (at: EventTarget | null): boolean =>
  at instanceof Element &&
  at.closest(
    'textarea, select, [contenteditable], input:not([type="checkbox"], [type="radio"], [type="button"])',
  ) !== null;
