/* The model follows the form of a pattern while it is filled in; what cannot be laid keeps the last good picture. */
import { asked } from "./asking.js";
import { behaviour } from "./behaviour.js";
import { newest } from "./newest.js";

const UNSENT = ["csrfmiddlewaretoken", "base", "token"];

behaviour("laid", (stage) => {
  const form = /** @type {HTMLFormElement} */ (document.getElementById("pattern-form"));
  const latest = newest();
  let timer;
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
    clearTimeout(timer);
    timer = setTimeout(show, 250);
  });
  if (stage.dataset.now) show().finally(others);
  else others();
});
