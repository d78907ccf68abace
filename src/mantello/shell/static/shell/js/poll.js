/* A fragment that asks for its next state while something goes on in the background; when that ends, the page is
   drawn anew, what came of it is opened, or a form that was held meanwhile is sent. */
import { asked, SOON } from "./asking.js";
import { behaviour, wake } from "./behaviour.js";
import { refresh } from "./page.js";

const EVERY = 1000;

/* 'Try again' is said once: what fails once more is told, not asked for anew whenever the page is drawn. */
function saidOnce() {
  const here = new URL(location.href);
  if (!here.searchParams.has("again")) return;
  here.searchParams.delete("again");
  history.replaceState(history.state, "", here);
}

behaviour("poll", (box) => {
  saidOnce();
  const ask = async () => {
    if (!box.isConnected) return;
    try {
      const answer = await asked(box.dataset.url);
      if (!answer.ok) throw new Error(answer.statusText);
      const made = document.createElement("template");
      made.innerHTML = (await answer.text()).trim();
      const next = made.content.firstElementChild;
      if (!box.isConnected) return;
      if (next.dataset.open) {
        box.replaceWith(next);
        location.assign(next.dataset.open);
        return;
      }
      if (next.dataset.ended) {
        const held = box.querySelector("form[data-held]");
        if (held) held.querySelector("button").click();
        else refresh();
        return;
      }
      box.replaceWith(next);
      wake(document);
    } catch {
      setTimeout(ask, 5 * EVERY);
    }
  };
  setTimeout(ask, box.hasAttribute("data-soon") ? SOON : EVERY);
});
