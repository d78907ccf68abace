/* Dark pages for the lamp, or light ones: told to the server in a cookie, taken at once. */
import { behaviour } from "./behaviour.js";

const YEAR = 31536000;
const root = document.documentElement;
const dark = () => root.dataset.look === "lamp" || (!root.dataset.look && matchMedia("(prefers-color-scheme: dark)").matches);

behaviour("look", (form) => {
  const button = form.querySelector("button");
  const tell = () => button.setAttribute("aria-pressed", String(dark()));
  form.addEventListener("submit", (event) => {
    event.preventDefault();
    root.dataset.look = dark() ? "paper" : "lamp";
    document.cookie = `mantello-look=${root.dataset.look}; path=/; max-age=${YEAR}; samesite=lax`;
    button.value = dark() ? "paper" : "lamp";
    tell();
  });
  tell();
});
