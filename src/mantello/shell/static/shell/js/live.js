/* Edits without leaving the page. What cannot reach the server is kept in this browser and sent again. */
import { ask } from "./asking.js";
import { afterTaken, read, saying, shelfOf, sortOut, words, write } from "./kept.js";
import { showEdited, visit } from "./page.js";

const here = () => document.getElementById("main").dataset;
const account = () => here().account || "";
const shelf = () => shelfOf(account(), here().army || "");
const kept = () => read(localStorage, shelf());

function keep(edits) {
  write(localStorage, shelf(), edits);
  const bar = document.getElementById("kept");
  bar.hidden = !edits.length;
  if (!edits.length) return;
  bar.textContent = words(edits.length);
  const retry = document.createElement("button");
  retry.className = "btn btn-s";
  retry.textContent = "Send again";
  retry.addEventListener("click", () => flush());
  bar.append(retry);
}

function entriesOf(form, submitter) {
  const data = new FormData(form, submitter);
  if (!data.get("token")) data.set("token", newToken());
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
const signed = (edit) => {
  const csrf = document.querySelector("input[name=csrfmiddlewaretoken]");
  return csrf ? saying(edit, "csrfmiddlewaretoken", csrf.value) : edit;
};

async function send(edit) {
  const from = location.href;
  const answer = await ask(edit.url, { method: "POST", body: new URLSearchParams(signed(edit).entries) });
  const away = answer.redirected && new URL(answer.url).pathname === here().signIn && !location.href.startsWith(answer.url);
  if (answer.status >= 502 || answer.status === 403 || away) throw new TypeError("out of reach, or signed out");
  showEdited(await answer.text(), answer.redirected ? answer.url : null, answer.ok ? from : location.href);
  return answer.ok;
}

/* Sends kept edits in order. An edit that was made on the same state as the one before it moves on with it. */
async function flush() {
  let edits = kept();
  while (edits.length) {
    try {
      const good = await send(edits[0]);
      edits = afterTaken(edits, good ? here().base : undefined);
      keep(edits);
      if (!good) return;
    } catch {
      keep(edits);
      return;
    }
  }
}

const tell = (edit) => document.dispatchEvent(new CustomEvent("mantello:kept", { detail: edit }));

async function submit(edit) {
  if (kept().length) {
    keep([...kept(), edit]);
    await flush();
    if (kept().length) tell(edit);
    return;
  }
  try {
    await send(edit);
  } catch {
    keep([edit]);
    tell(edit);
  }
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
  visit(link.href, { push: true }).catch(() => {
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
setInterval(() => kept().length && flush(), 15000);
if (account()) sortOut(localStorage, account());
keep(kept());
if (kept().length) flush();
