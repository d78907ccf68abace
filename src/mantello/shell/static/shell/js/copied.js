// @ts-check
/* An address to hand on: a click chooses all of it, a button beside it puts it on the clipboard. */
import { behaviour } from "./behaviour.js";

behaviour("copied", (/** @type {HTMLInputElement} */ field) => {
  field.addEventListener("focus", () => field.select());
  if (!navigator.clipboard) return;
  const button = document.createElement("button");
  button.type = "button";
  button.className = "btn";
  button.textContent = "Copy";
  button.addEventListener("click", async () => {
    await navigator.clipboard.writeText(field.value);
    button.textContent = "Copied";
  });
  field.after(button);
});
