// @ts-check
/* On a narrow screen the ladder is a drawer from below: its head stays in reach of the thumb while the stage is looked at. */
import { behaviour } from "./behaviour.js";

const NARROW = matchMedia("(max-width: 899px)");
/** Whether it was last left open, so that an exchange of the page does not close it. */
let open = false;

behaviour("drawer", (/** @type {HTMLElement} */ drawer) => {
  const head = drawer.querySelector(".col-h");
  if (!head) return;
  const button = document.createElement("button");
  button.type = "button";
  button.className = "btn drawer-b";
  head.append(button);

  function show() {
    drawer.classList.toggle("drawer", NARROW.matches);
    drawer.classList.toggle("drawer-open", NARROW.matches && open);
    button.hidden = !NARROW.matches;
    button.textContent = open ? "Close" : "Open";
    button.setAttribute("aria-expanded", String(open));
    const shut = NARROW.matches && !open;
    for (const part of drawer.children) if (part !== head) part.toggleAttribute("inert", shut);
  }
  button.addEventListener("click", () => {
    open = !open;
    show();
  });
  NARROW.addEventListener("change", show);
  show();
});
