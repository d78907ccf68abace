/* Reminds of a break by the minutes the clock ran: half an hour of fine work, an hour of any; a pause of five minutes is a break. */
import { behaviour } from "./behaviour.js";

const SHELF = "mantello-rest";
const FINE = 30 * 60;
const ANY = 60 * 60;
const PAUSE = 5 * 60;

function worked() {
  try {
    return { fine: 0, any: 0, at: 0, ...JSON.parse(localStorage.getItem(SHELF) || "{}") };
  } catch {
    return { fine: 0, any: 0, at: 0 };
  }
}

const keep = (state) => localStorage.setItem(SHELF, JSON.stringify(state));

behaviour("rest", (box) => {
  const note = document.querySelector("[data-rest]");
  const fine = Boolean(box.dataset.fine);

  function tell(state) {
    const due = state.fine >= FINE ? "Half an hour of fine work." : state.any >= ANY ? "An hour at the desk." : "";
    note.hidden = !due;
    note.querySelector("[data-rest-words]").textContent = due;
  }

  function tick() {
    const now = Date.now() / 1000;
    let state = worked();
    if (state.at && now - state.at > PAUSE) state = { fine: 0, any: 0, at: 0 };
    if (box.clock && box.clock.running()) {
      const gone = state.at ? Math.min(now - state.at, 5) : 0;
      state = { fine: state.fine + (fine ? gone : 0), any: state.any + gone, at: now };
      keep(state);
    }
    tell(state);
  }

  note.querySelector("[data-rest-done]").addEventListener("click", () => {
    keep({ fine: 0, any: 0, at: 0 });
    note.hidden = true;
  });
  const timer = setInterval(() => (box.isConnected ? tick() : clearInterval(timer)), 1000);
  tick();
});
