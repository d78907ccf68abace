/* Edits without leaving the page. What cannot reach the server is kept in this browser and sent again, until the server has
   taken it or the painter has seen why not. */
import { ask, sent } from "./asking.js";
import { all, drop, keep, meaning, mine, others, pause, reason, saying, sortOut, taken, words } from "./kept.js";
import { showEdited, visit } from "./page.js";

const here = () => document.getElementById("main").dataset;
const whose = () => ({ account: here().account || "", name: here().name || "", army: here().army || "" });
const kept = () => mine(localStorage, whose().account, whose().army);

let because = "the server cannot be reached";
let stuck = false;
let tries = 0;
let nextAt = 0;

const button = (text, act) => {
  const made = document.createElement("button");
  made.className = "btn btn-s";
  made.textContent = text;
  made.addEventListener("click", act);
  return made;
};

/* The bar: what waits of this work and why, and whose else waits in this browser. */
function tellKept() {
  const bar = document.getElementById("kept");
  const waiting = kept();
  const besides = others(all(localStorage), whose().account, whose().army);
  bar.hidden = !waiting.length && !besides;
  if (bar.hidden) return;
  bar.textContent = waiting.length ? words(waiting.length, because) : "";
  if (waiting.length) bar.append(button("Send again", () => flush()));
  if (waiting.length && stuck) bar.append(button("Throw away the first", () => throwAway(waiting[0])));
  if (besides) {
    const said = document.createElement("span");
    said.textContent = `Also kept in this browser: ${besides}. They are sent when that account opens that army here.`;
    bar.append(said);
  }
}

function throwAway(edit) {
  if (!confirm(`Throw this change away for good?\n\n${edit.entries.filter(([name]) => !["csrfmiddlewaretoken", "base", "token"].includes(name)).map(([name, value]) => `${name}: ${value}`).join("\n")}`)) return;
  drop(localStorage, edit);
  stuck = false;
  tellKept();
  flush();
}

function entriesOf(form, submitter) {
  const data = new FormData(form, submitter);
  if (!data.get("token") || form.querySelector("input[name=token][data-fresh]")) data.set("token", newToken());
  return [...data].filter(([, value]) => typeof value === "string");
}

function newToken() {
  if (crypto.randomUUID) return crypto.randomUUID();
  const bytes = crypto.getRandomValues(new Uint8Array(16));
  bytes[6] = (bytes[6] & 15) | 64;
  bytes[8] = (bytes[8] & 63) | 128;
  const hex = [...bytes].map((one) => one.toString(16).padStart(2, "0")).join("");
  return hex.replace(/^(.{8})(.{4})(.{4})(.{4})(.{12})$/, "$1-$2-$3-$4-$5");
}

/* A kept edit may be older than the sign-in: it is sent with the mark against forgery that the page has now. */
const signed = (edit, csrf) => (csrf ? saying(edit, "csrfmiddlewaretoken", csrf) : edit);
const csrfHere = () => (document.querySelector("input[name=csrfmiddlewaretoken]") || {}).value;

async function freshCsrf() {
  const answer = await ask(location.href);
  const page = new DOMParser().parseFromString(await answer.text(), "text/html");
  const fresh = (page.querySelector("input[name=csrfmiddlewaretoken]") || {}).value;
  for (const one of fresh ? document.querySelectorAll("input[name=csrfmiddlewaretoken]") : []) one.value = fresh;
  return fresh;
}

/* Sends one edit. What the answer means; the answer is shown if the edit was taken or refused on a page that says why. */
async function send(edit, csrf = csrfHere(), again = true) {
  const from = location.href;
  let answer;
  try {
    answer = await sent(edit.url, new URLSearchParams(signed(edit, csrf).entries));
  } catch {
    return { means: "away", status: 0 };
  }
  const signIn = answer.redirected && new URL(answer.url).pathname === here().signIn && !location.href.startsWith(answer.url);
  const means = meaning(answer.status, signIn);
  if (means === "unproved" && again) {
    const fresh = await freshCsrf().catch(() => "");
    if (fresh) return send(edit, fresh, false);
  }
  if (means === "taken" || means === "refused") {
    try {
      showEdited(await answer.text(), answer.redirected ? answer.url : null, answer.ok ? from : location.href);
    } catch {
      return { means: "away", status: 0 };
    }
  }
  return { means, status: answer.status };
}

/* One tab at a time sends, where the browser can tell; where it cannot, the server does nothing twice. */
const alone = (act) => (navigator.locks ? navigator.locks.request("mantello-kept", act) : act());

/* Sends kept edits in order. An edit that was made on the same state as the one before it moves on with it. */
async function flush() {
  await alone(async () => {
    for (let waiting = kept(); waiting.length; waiting = kept()) {
      const { means, status } = await send(waiting[0]);
      if (means === "taken" || means === "refused") {
        taken(localStorage, waiting[0], means === "taken" ? here().base : undefined);
        tries = 0;
        stuck = false;
        if (means === "taken") continue;
      } else {
        because = reason(means, status);
        stuck = means === "missing";
        tries += 1;
      }
      break;
    }
  });
  nextAt = Date.now() + 1000 * pause(tries);
  tellKept();
}

const tell = (edit) => document.dispatchEvent(new CustomEvent("mantello:kept", { detail: edit }));

async function submit(edit) {
  if (kept().length) {
    const place = keep(localStorage, edit, whose(), Date.now());
    await flush();
    if (kept().some((one) => one.key === place.key)) tell(edit);
    return;
  }
  const { means, status } = await send(edit);
  if (means === "taken" || means === "refused") return;
  because = reason(means, status);
  stuck = means === "missing";
  tries = 1;
  nextAt = Date.now() + 1000 * pause(tries);
  keep(localStorage, edit, whose(), Date.now());
  tellKept();
  tell(edit);
}

/* An edit that no form on the page holds: the token against forgery and the state of the work are added. */
export function post(url, entries) {
  const csrf = document.querySelector("input[name=csrfmiddlewaretoken]").value;
  const data = { csrfmiddlewaretoken: csrf, base: here().base, token: newToken(), ...entries };
  return submit({ url, entries: Object.entries(data) });
}

document.addEventListener("submit", (event) => {
  const form = event.target.closest("form[data-live]");
  if (!form) return;
  event.preventDefault();
  submit({ url: (event.submitter && event.submitter.getAttribute("formaction")) || form.action, entries: entriesOf(form, event.submitter) });
});

document.addEventListener("change", (event) => {
  const form = event.target.closest("form[data-submit-on-change]");
  if (form) form.requestSubmit();
});

document.addEventListener("click", (event) => {
  const link = event.target.closest("a[data-visit]");
  if (!link || event.ctrlKey || event.metaKey || event.shiftKey || event.button) return;
  event.preventDefault();
  // a press of Enter comes as a click without a place
  visit(link.href, { push: true, keys: event.detail === 0 }).catch(() => {
    location.href = link.href;
  });
});

document.addEventListener("submit", (event) => {
  const form = event.target.closest("form[data-visit]");
  if (!form) return;
  event.preventDefault();
  const address = new URL(form.action);
  const entries = [...new FormData(form)].map(([name, value]) => [name, String(value)]);
  address.search = new URLSearchParams(entries).toString();
  visit(address.href, { push: true });
});

addEventListener("online", () => flush());
addEventListener("storage", () => tellKept());
document.addEventListener("mantello:shown", () => tellKept());
setInterval(() => kept().length && Date.now() >= nextAt && flush(), 5000);
if (whose().account) sortOut(localStorage, whose(), Date.now());
tellKept();
if (kept().length) flush();
