/* What scrolls can be reached by keyboard: a part that overflows and holds nothing to step to is stepped to itself. */

const HELD = "a[href],button,input:not([type=hidden]),select,textarea,summary,[tabindex]";
const MAY = ".scroll,.cal,.moments,.table-scroll,.stage,.o-list,table,nav,ul,ol,div";

/** @param {ParentNode} root */
export function reach(root) {
  for (const one of root.querySelectorAll(MAY)) {
    const part = /** @type {HTMLElement} */ (one);
    const over = part.scrollHeight > part.clientHeight || part.scrollWidth > part.clientWidth;
    if (!over || part.hasAttribute("tabindex")) continue;
    const { overflowX, overflowY } = getComputedStyle(part);
    if (![overflowX, overflowY].some((way) => way === "auto" || way === "scroll")) continue;
    if ([...part.querySelectorAll(HELD)].some((held) => /** @type {HTMLElement} */ (held).tabIndex >= 0)) continue;
    part.tabIndex = 0;
    if (part.tagName !== "DIV" || part.hasAttribute("role")) continue;
    const label = part.closest("[aria-label]")?.getAttribute("aria-label");
    if (label && !part.hasAttribute("aria-label")) {
      part.setAttribute("role", "group");
      part.setAttribute("aria-label", `${label}, to read`);
    }
  }
}

let waiting = 0;
function soon() {
  cancelAnimationFrame(waiting);
  waiting = requestAnimationFrame(() => reach(document));
}

reach(document);
addEventListener("load", soon);
document.fonts.ready.then(soon);
addEventListener("resize", soon);
document.addEventListener("toggle", soon, true);
new MutationObserver(soon).observe(document.documentElement, { childList: true, subtree: true });
