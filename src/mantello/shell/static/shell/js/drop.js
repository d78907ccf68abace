/* A file dropped anywhere on the page goes into the form's file field. */
import { behaviour } from "./behaviour.js";

behaviour("drop", (form) => {
  const field = /** @type {HTMLInputElement | null} */ (form.querySelector("input[type=file]"));
  if (!field) return;
  const holds = (event) => event.dataTransfer && [...event.dataTransfer.types].includes("Files");
  document.addEventListener("dragover", (event) => {
    if (!holds(event)) return;
    event.preventDefault();
    form.classList.add("dropping");
  });
  document.addEventListener("dragleave", (event) => {
    if (!event.relatedTarget) form.classList.remove("dropping");
  });
  document.addEventListener("drop", (event) => {
    form.classList.remove("dropping");
    if (!holds(event) || !event.dataTransfer.files.length) return;
    event.preventDefault();
    field.files = event.dataTransfer.files;
    field.focus();
  });
});
