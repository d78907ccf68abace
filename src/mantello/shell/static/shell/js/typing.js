// @ts-check
/* Whether a key is typed into a field. A field that just went with its dialog may still be told the next key: that is nobody's typing. */

/** @param {EventTarget | null} target */
export function typing(target) {
  const field = target instanceof Element ? target.closest("input, select, textarea, [contenteditable]") : null;
  return Boolean(field && field.getClientRects().length);
}
