/* The drawing follows the blazon as it is typed; a blazon that cannot be read keeps the last good drawing. */
import { behaviour } from "./behaviour.js";

let waiting;
let asked = 0;

async function draw(field, address) {
  const target = document.getElementById("seen");
  const form = field.form;
  const look = document.querySelector(".ins .col-h[data-visit]");
  if (!target || !form || !look) return;
  const query = new URLSearchParams({
    blazon: field.value,
    arms: form.elements.arms.value,
    shape: look.elements.shape.value,
    width: look.elements.width.value,
  });
  const mine = ++asked;
  try {
    const answer = await fetch(`${address}?${query}`);
    if (mine !== asked || (!answer.ok && answer.status !== 422)) return;
    const made = document.createElement("div");
    made.innerHTML = await answer.text();
    const stage = target.querySelector(".arms-stage");
    if (answer.status === 422 && stage && stage.querySelector(".arms-large")) {
      target.querySelector(".arms-told").replaceWith(made.querySelector(".arms-told"));
    } else {
      for (const part of [".arms-stage", ".arms-told"]) {
        const before = target.querySelector(part);
        const after = made.querySelector(part);
        if (before && after) before.replaceWith(after);
      }
    }
    const echo = document.querySelector("[data-blazon-echo]");
    if (echo) echo.value = field.value;
  } catch {
    /* out of reach: the last drawing stays, and keeping the arms will say so */
  }
}

behaviour("blazon", (holder) => {
  const field = holder.querySelector("textarea");
  field.addEventListener("input", () => {
    clearTimeout(waiting);
    waiting = setTimeout(() => draw(field, holder.dataset.draw), 120);
  });
});
