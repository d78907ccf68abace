/* Counts from the last stroke on a figure: until when pools can be lifted, then until when it must be left alone. */
import { behaviour } from "./behaviour.js";

const SHELF = "mantello-stroke";

/** @param {number} seconds */
const told = (seconds) => `${Math.floor(seconds / 60)}:${String(seconds % 60).padStart(2, "0")}`;

behaviour("stroke", (box) => {
  const words = box.querySelector("[data-stroke-words]");
  const lift = Number(box.dataset.lift) * 60;
  const leave = Number(box.dataset.leave) * 60;
  const known = (localStorage.getItem(SHELF) || "").split(" ");
  let since = known[0] === box.dataset.key ? Number(known[1]) : 0;

  function paint() {
    if (!since) return;
    const gone = Math.floor((Date.now() - since) / 1000);
    if (gone < lift) words.textContent = `Lift pools for ${told(lift - gone)} more.`;
    else if (gone < leave) words.textContent = `Leave it alone for ${told(leave - gone)} more.`;
    else words.textContent = "Dry enough to touch.";
  }

  box.querySelector("[data-stroke-last]").addEventListener("click", () => {
    since = Date.now();
    localStorage.setItem(SHELF, `${box.dataset.key} ${since}`);
    paint();
  });
  const timer = setInterval(() => (box.isConnected ? paint() : clearInterval(timer)), 500);
  paint();
});
