/* A colour tried on a role: every figure in the mass takes it at once; the paints near it are asked for after. */
import { asked } from "./asking.js";
import { behaviour } from "./behaviour.js";
import { newest } from "./newest.js";
import { recoloured } from "./recolour.js";

behaviour("try-colour", (input) => {
  const box = input.closest(".try");
  const list = document.getElementById("near-paints");
  let picture = null;
  let frame = 0;
  let timer;
  const latest = newest();

  const ready = async () => {
    picture = picture || recoloured(document.getElementById("plate-svg"), input.dataset.role);
    const made = await picture;
    if (!made) picture = null;
    return made;
  };
  const paint = async () => {
    const shown = await ready();
    frame = 0;
    if (!box.classList.contains("trying") || !box.isConnected) return;
    if (shown) shown.paint(input.value);
    else frame = requestAnimationFrame(paint); // The plate is not laid out yet
  };
  const ask = async () => {
    const query = new URLSearchParams({ role: input.dataset.role, colour: input.value });
    const answer = await latest(() => asked(`${input.dataset.near}?${query}`).catch(() => null));
    if (!answer || !answer.ok) return;
    list.innerHTML = await answer.text();
    for (const field of list.querySelectorAll("[data-here]")) field.value = location.pathname + location.search;
  };
  for (const sign of ["pointerenter", "focus"]) input.addEventListener(sign, ready, { once: true });
  input.addEventListener("input", () => {
    box.classList.add("trying");
    frame = frame || requestAnimationFrame(paint);
    clearTimeout(timer);
    timer = setTimeout(ask, 150);
  });
  box.querySelector("[data-undo-try]").addEventListener("click", async () => {
    box.classList.remove("trying");
    input.value = input.defaultValue;
    list.textContent = "";
    (await ready())?.clear();
  });
});
