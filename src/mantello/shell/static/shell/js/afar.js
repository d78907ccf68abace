/* The desk read from a metre away: large words, the clock and Done; the browser remembers it. And a screen that stays on. */
import { behaviour } from "./behaviour.js";

const AFAR = "mantello-afar";

behaviour("afar", (button) => {
  const desk = button.closest(".desk");
  const show = () => {
    const afar = Boolean(localStorage.getItem(AFAR));
    desk.toggleAttribute("data-afar", afar);
    button.setAttribute("aria-pressed", String(afar));
    button.textContent = afar ? "Near again" : "From a metre";
  };
  show();
  button.addEventListener("click", () => {
    if (localStorage.getItem(AFAR)) localStorage.removeItem(AFAR);
    else localStorage.setItem(AFAR, "yes");
    show();
  });
});

/* hands are wet: nobody touches the screen for a while. Where a browser has no such thing, it goes dark as always. */
behaviour("awake", (mark) => {
  if (!navigator.wakeLock) return;
  let lock = null;
  const hold = async () => {
    if (document.visibilityState !== "visible" || !mark.isConnected) return;
    try {
      lock = await navigator.wakeLock.request("screen");
      if (!mark.isConnected) lock.release();
    } catch {
      /* the system wants to save power */
    }
  };
  const again = () => {
    if (mark.isConnected) hold();
    else {
      document.removeEventListener("visibilitychange", again);
      watch.disconnect();
      lock?.release();
    }
  };
  const watch = new MutationObserver(() => {
    if (!mark.isConnected) again();
  });
  document.addEventListener("visibilitychange", again);
  watch.observe(document.body, { childList: true, subtree: true });
  hold();
});
