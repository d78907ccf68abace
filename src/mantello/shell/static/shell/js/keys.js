/* Keys that work everywhere. */
const typing = (target) => target.closest("input, select, textarea, [contenteditable]");

document.addEventListener("keydown", (event) => {
  if (event.altKey && /^[1-9]$/.test(event.key)) {
    const link = document.querySelectorAll(".seam a")[Number(event.key) - 1];
    if (link) {
      event.preventDefault();
      link.click();
    }
    return;
  }
  if (typing(event.target) || document.querySelector("dialog[open]")) return;
  if ((event.ctrlKey || event.metaKey) && event.key.toLowerCase() === "z") {
    const form = document.querySelector(`form[data-key="${event.shiftKey ? "redo" : "undo"}"]`);
    if (form && !form.querySelector("button").disabled) {
      event.preventDefault();
      form.requestSubmit();
    }
    return;
  }
  if (event.ctrlKey || event.metaKey || event.altKey) return;
  if (event.key === "?") document.getElementById("keys").showModal();
  if (event.key.toLowerCase() === "f") {
    const filter = document.querySelector("[data-filter]");
    if (filter) {
      event.preventDefault();
      filter.focus();
    }
  }
  const link = document.querySelector(`a[data-key="${CSS.escape(event.key)}"]`);
  if (link) {
    event.preventDefault();
    link.click();
  }
});
