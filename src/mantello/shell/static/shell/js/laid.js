/* The model follows the form of a pattern while it is filled in; what cannot be laid keeps the last good picture. */
import { asked } from "./asking.js";
import { behaviour } from "./behaviour.js";
import { newest } from "./newest.js";

const UNSENT = ["csrfmiddlewaretoken", "base", "token"];

behaviour("laid", (stage) => {
  const form = /** @type {HTMLFormElement} */ (document.getElementById("pattern-form"));
  const latest = newest();
  let soon, timer;
  const said = () => {
    const query = new URLSearchParams(/** @type {any} */ (new FormData(form)));
    for (const name of UNSENT) query.delete(name);
    if (stage.dataset.figure) query.set("figure", stage.dataset.figure);
    return query;
  };
  const drawn = async () => {
    const answer = await asked(`${stage.dataset.address}?${said()}`);
    if (!answer.ok) return null;
    const made = document.createElement("div");
    made.innerHTML = await answer.text();
    await Promise.all([...made.querySelectorAll("img")].map((image) => image.decode()));
    return made;
  };
  /* one side, roughly and at once; all of it finely as soon as nothing more is said */
  const glance = async () => {
    const shown = stage.querySelector("img");
    if (!shown) return;
    const query = said();
    query.set("glance", "yes");
    const rough = new Image();
    rough.src = `${stage.dataset.glance}?${query}`;
    rough.alt = shown.alt;
    try {
      const there = await latest(() => rough.decode().then(() => true));
      if (there && stage.isConnected) stage.querySelector("img")?.replaceWith(rough);
    } catch {
      /* it cannot be laid so, or is out of reach: the whole of it is asked for next */
    }
  };
  const show = async () => {
    stage.setAttribute("aria-busy", "true");
    try {
      const made = await latest(drawn);
      if (made && stage.isConnected) stage.replaceChildren(...made.childNodes);
    } catch {
      /* out of reach: the last picture stays, and keeping the pattern will say so */
    } finally {
      stage.removeAttribute("aria-busy");
    }
  };
  /* the large pictures come first; what is offered besides waits for them */
  const others = () => {
    for (const image of /** @type {NodeListOf<HTMLImageElement>} */ (document.querySelectorAll("img[data-after]"))) {
      image.src = image.dataset.after;
      image.removeAttribute("data-after");
    }
  };
  form.addEventListener("input", () => {
    clearTimeout(soon);
    clearTimeout(timer);
    soon = setTimeout(glance, 40);
    timer = setTimeout(show, 450);
  });
  if (stage.dataset.now) show().finally(others);
  else others();
});
