// @ts-check
/* Areas of a rule chosen on a figure: each is a box to tick, by hand or by key; both sides of the figure go together. What is chosen is
 * written in the field that is there without script. */
import { asked } from "./asking.js";
import { behaviour } from "./behaviour.js";

/** @param {string} area */
const sideless = (area) => area.split(".").map((part) => (part === "left" || part === "right" ? "*" : part)).join(".");
/** @param {string} area */
const spoken = (area) => area.split(".").filter((part) => part !== "*").slice(-2).join(" ");

behaviour("area-choice", (/** @type {HTMLElement} */ box) => {
  const field = /** @type {HTMLInputElement} */ (document.getElementById(box.dataset.into || ""));
  const plates = /** @type {HTMLElement | null} */ (box.querySelector("[data-plates]"));
  const stuff = /** @type {HTMLElement | null} */ (box.querySelector("[data-stuff]"));
  const kinds = /** @type {HTMLElement | null} */ (box.querySelector("[data-kinds]"));
  if (!field || !plates || !stuff || !kinds) return;
  for (const part of [plates, stuff, kinds]) part.hidden = false;
  const said = /** @type {HTMLElement} */ (box.querySelector("[data-said]"));

  const names = () => field.value.split(",").map((one) => one.trim()).filter(Boolean);

  function toggle(/** @type {string} */ name) {
    const before = names();
    const bare = (/** @type {string} */ one) => one.replace(/^=/, "");
    const on = before.some((one) => bare(one) === name);
    field.value = (on ? before.filter((one) => bare(one) !== name) : [...before, name]).join(", ");
    show();
  }

  function show() {
    const chosen = new Set(names().map((one) => one.replace(/^=/, "")));
    for (const area of areas()) {
      const on = chosen.has(sideless(area.dataset.area || "")) || chosen.has(area.dataset.area || "");
      area.toggleAttribute("data-on", on);
      area.setAttribute("aria-checked", String(on));
    }
    for (const button of stuff?.querySelectorAll("button") || []) {
      button.setAttribute("aria-pressed", String(chosen.has(button.dataset.select || "")));
    }
    const count = chosen.size;
    said.textContent = count ? `${count} chosen: ${[...chosen].map((one) => (one.startsWith("@") ? `all ${one.slice(1)}` : spoken(one))).join(", ")}` : "none chosen: the rule is for everything";
  }

  const areas = () => /** @type {NodeListOf<SVGElement>} */ (plates.querySelectorAll("[data-area]"));

  function wakeAreas() {
    const seen = new Set();
    // a drawing that can be chosen on is a group of boxes, no picture
    for (const drawing of plates?.querySelectorAll("svg") || []) drawing.setAttribute("role", "group");
    for (const area of areas()) {
      const name = sideless(area.dataset.area || "");
      area.setAttribute("role", "checkbox");
      area.setAttribute("aria-label", spoken(name));
      area.setAttribute("tabindex", seen.has(name) ? "-1" : "0");
      seen.add(name);
    }
    show();
  }

  plates.addEventListener("click", (event) => {
    const area = /** @type {SVGElement | null} */ (/** @type {Element} */ (event.target).closest("[data-area]"));
    if (area) toggle(sideless(area.dataset.area || ""));
  });
  plates.addEventListener("keydown", (event) => {
    const area = /** @type {SVGElement | null} */ (/** @type {Element} */ (event.target).closest("[data-area]"));
    if (!area || (event.key !== " " && event.key !== "Enter")) return;
    event.preventDefault();
    event.stopPropagation();
    toggle(sideless(area.dataset.area || ""));
  });
  stuff.addEventListener("click", (event) => {
    const button = /** @type {HTMLElement | null} */ (/** @type {Element} */ (event.target).closest("[data-select]"));
    if (button) toggle(button.dataset.select || "");
  });
  field.addEventListener("input", show);
  box.querySelector("[data-on-kind]")?.addEventListener("change", async (event) => {
    event.stopPropagation();
    const address = new URL(location.href);
    address.searchParams.set("on", /** @type {HTMLSelectElement} */ (event.target).value);
    if (!address.searchParams.get("edit")) address.searchParams.set("edit", "new");
    const answer = await asked(String(address)).catch(() => null);
    if (!answer || !answer.ok) return;
    const page = new DOMParser().parseFromString(await answer.text(), "text/html");
    const other = page.querySelector("[data-plates]");
    if (other) {
      plates.replaceChildren(...other.children);
      wakeAreas();
    }
  });
  wakeAreas();
});
