/* The desk's clock: counts down, survives a reload, and gives the minutes to the form. */
import { behaviour } from "./behaviour.js";

const SHELF = "mantello-clock";

function kept(key) {
  try {
    const one = JSON.parse(localStorage.getItem(SHELF) || "{}");
    return one.key === key ? one : null;
  } catch {
    return null;
  }
}

const QUIET = "mantello-quiet";
let sound = null;

/* Three short tones; a browser lets them sound once the painter has pressed something. */
function ring() {
  if (localStorage.getItem(QUIET)) return;
  sound ||= new AudioContext();
  for (const at of [0, 0.35, 0.7]) {
    const tone = sound.createOscillator();
    const loud = sound.createGain();
    tone.frequency.value = 660;
    loud.gain.setValueAtTime(0.12, sound.currentTime + at);
    loud.gain.exponentialRampToValueAtTime(0.001, sound.currentTime + at + 0.25);
    tone.connect(loud).connect(sound.destination);
    tone.start(sound.currentTime + at);
    tone.stop(sound.currentTime + at + 0.3);
  }
}

behaviour("clock", (box) => {
  const form = box.closest("form");
  const face = box.querySelector("[data-clock]");
  const words = box.querySelector("[data-clock-words]");
  const run = form.querySelector("[data-clock-run]");
  const minutes = form.querySelector("[data-clock-minutes]");
  let state = kept(box.dataset.key) || { key: box.dataset.key, goal: Number(box.dataset.minutes) * 60, gone: 0, since: null };

  const mute = form.querySelector("[data-clock-mute]");
  let rung = false;

  function tellSound() {
    const quiet = Boolean(localStorage.getItem(QUIET));
    mute.textContent = quiet ? "Sound is off" : "Sound is on";
    mute.setAttribute("aria-pressed", String(!quiet));
  }

  if (mute) {
    tellSound();
    mute.addEventListener("click", () => {
      if (localStorage.getItem(QUIET)) localStorage.removeItem(QUIET);
      else localStorage.setItem(QUIET, "yes");
      tellSound();
    });
  }

  const gone = () => state.gone + (state.since ? (Date.now() - state.since) / 1000 : 0);
  const save = () => localStorage.setItem(SHELF, JSON.stringify(state));

  function paint() {
    const left = Math.round(state.goal - gone());
    const size = Math.abs(left);
    face.textContent = `${left < 0 ? "+" : ""}${Math.floor(size / 60)}:${String(size % 60).padStart(2, "0")}`;
    run.textContent = state.since ? "Pause" : gone() ? "Go on" : "Start";
    if (!gone()) return;
    if (left > 0) rung = false;
    else if (!rung && state.since && mute) {
      rung = true;
      if (left > -5) ring();
    }
    words.textContent = left < 0 ? "over the planned time" : state.since ? "running" : "paused";
    if (document.activeElement !== minutes && !minutes.dataset.typed) minutes.value = Math.max(1, Math.round(gone() / 60));
  }

  function toggle() {
    state = state.since ? { ...state, gone: gone(), since: null } : { ...state, since: Date.now() };
    save();
    paint();
  }

  function more() {
    state = { ...state, goal: state.goal + 300 };
    save();
    paint();
  }

  run.addEventListener("click", toggle);
  form.querySelector("[data-clock-more]").addEventListener("click", more);
  minutes.addEventListener("input", () => {
    minutes.dataset.typed = "yes";
  });
  box.clock = { toggle, more, running: () => Boolean(state.since) };
  const timer = setInterval(() => (box.isConnected ? paint() : clearInterval(timer)), 500);
  paint();
});

document.addEventListener("keydown", (event) => {
  const done = document.querySelector("button[data-done]:not(:disabled)");
  if (!done || event.target.closest("input:not([type=checkbox]), select, textarea, dialog, button, a, summary, label") || event.ctrlKey || event.altKey || event.metaKey) return;
  const clock = document.querySelector("[data-behaviour~=clock]").clock;
  if (event.key === " " && !event.target.closest("input")) {
    event.preventDefault();
    if (!event.repeat) done.form.requestSubmit(done);
  } else if (event.key.toLowerCase() === "p") clock.toggle();
  else if (event.key === "+") clock.more();
});
