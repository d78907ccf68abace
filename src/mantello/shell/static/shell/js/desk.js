/* The desk out of reach of the server: the next batches are held ready, and shown when 'done' could not be sent. */
import { asked } from "./asking.js";
import { behaviour } from "./behaviour.js";
import { show } from "./page.js";

/* address of a batch to the page that shows it, as long as this page lives */
const ready = new Map();

const addressOf = (id) => `${location.pathname}?batch=${id}`;

async function hold(ids, mark) {
  for (const id of ids) {
    const url = addressOf(id);
    if (ready.has(url)) continue;
    try {
      const answer = await asked(url);
      if (answer.ok) ready.set(url, await answer.text());
    } catch {
      return;
    }
  }
  mark.dataset.held = String(ids.length);
}

behaviour("desk", (mark) => {
  const ids = mark.dataset.ahead.split(" ").filter(Boolean);
  /* what is held was drawn before the last batch was logged: with the server in reach it is asked for anew */
  if (navigator.onLine && !document.querySelector("#kept button")) ready.clear();
  setTimeout(() => mark.isConnected && hold(ids, mark), 300);
});

document.addEventListener("submit", (event) => {
  const pressed = event.target.closest("form").querySelector("input[name=pressed]");
  if (pressed) pressed.value = new Date().toISOString();
}, true);

document.addEventListener("mantello:kept", (event) => {
  const edit = event.detail;
  const mark = document.querySelector("[data-behaviour~=desk]");
  if (!mark || !edit.url.includes("/desk/done/")) return;
  const id = mark.dataset.ahead.split(" ").filter(Boolean).find((one) => ready.has(addressOf(one)));
  if (id) show(ready.get(addressOf(id)), new URL(addressOf(id), location.href).href, { push: true, typed: false });
});
