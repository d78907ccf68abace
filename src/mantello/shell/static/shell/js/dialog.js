/* Opening dialogs, and closing notes. */
import { behaviour } from "./behaviour.js";

behaviour("open-dialog", (button) => {
  button.addEventListener("click", () => document.getElementById(button.dataset.dialog).showModal());
});

behaviour("dismiss", (button) => {
  button.addEventListener("click", () => button.closest(".notice").remove());
});
