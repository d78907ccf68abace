/* Keys that work everywhere. */
import { typing } from "./typing.js";

document.addEventListener("keydown", (event) => {
  if (event.altKey && /^[1-9]$/.test(event.key)) {
    const link = document.querySelectorAll(".seam a")[Number(event.key) - 1];
    if (link) {
      event.preventDefault();
      link.click();
    }
    return;
  }
  if (typing(event.target) || document.querySelector("dialog[open]")) return;
  if ((event.ctrlKey || event.metaKey) && event.key.toLowerCase() === "z") {
    const form = document.querySelector(`form[data-key="${event.shiftKey ? "redo" : "undo"}"]`);
    if (form && !form.querySelector("button").disabled) {
      event.preventDefault();
      form.requestSubmit();
    }
    return;
  }
  if (event.ctrlKey || event.metaKey || event.altKey) return;
  if (event.key === "?") document.getElementById("keys").showModal();
  if (event.key.toLowerCase() === "f") {
    const filter = document.querySelector("[data-filter]");
    if (filter) {
      event.preventDefault();
      filter.focus();
    }
  }
  if (event.key.toLowerCase() === "l") ladder(event);
  if (event.key.toLowerCase() === "i") document.querySelector('.seam a[href$="/insignia/"]')?.click();
  if (event.key.toLowerCase() === "v" && !event.repeat) held(true);
  const link = document.querySelector(`a[data-key="${CSS.escape(event.key)}"]`);
  if (link) {
    event.preventDefault();
    link.click();
  }
});

document.addEventListener("keyup", (event) => {
  if (event.key.toLowerCase() === "v") held(false);
});

/* The ladder comes into view, and its first rung is stepped to. */
function ladder(event) {
  const part = document.querySelector(".ladder-col");
  if (!part) return;
  event.preventDefault();
  part.scrollIntoView({ block: "nearest" });
  part.querySelector("a[href],button:not([disabled])")?.focus();
}

/* Values only for as long as the key is held: the switch is turned on, and off again once it is seen to be on. */
let turned = false;
function held(on) {
  const values = () => document.querySelector("[data-values]");
  if (!values()) return;
  if (on) {
    turned = values().getAttribute("aria-checked") === "false";
    if (turned) values().click();
    return;
  }
  if (!turned) return;
  turned = false;
  const until = performance.now() + 4000;
  const back = () => {
    if (values()?.getAttribute("aria-checked") === "true") values().click();
    else if (performance.now() < until) requestAnimationFrame(back);
  };
  back();
}
