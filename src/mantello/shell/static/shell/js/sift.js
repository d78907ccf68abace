// @ts-check
/* A field that leaves of a list what its words say; headings of groups that are left empty go with them. */
import { behaviour } from "./behaviour.js";

behaviour("sift", (/** @type {HTMLInputElement} */ input) => {
  input.addEventListener("input", () => {
    const words = input.value.toLowerCase().split(/\s+/).filter(Boolean);
    const items = /** @type {NodeListOf<HTMLElement>} */ (document.querySelectorAll(input.dataset.sift || ""));
    for (const item of items) item.hidden = !words.every((word) => (item.dataset.words || "").includes(word));
    for (const heading of /** @type {NodeListOf<HTMLElement>} */ (document.querySelectorAll("[data-group]"))) {
      heading.hidden = !heading.nextElementSibling?.querySelector("[data-words]:not([hidden])");
    }
  });
});
