/* behaviour(name, begin): begin(element) runs once for every element with data-behaviour="name". */
const known = new Map();
const awake = new WeakMap();

export function behaviour(name, begin) {
  known.set(name, begin);
}

export function wake(root) {
  for (const element of root.querySelectorAll("[data-behaviour]")) {
    for (const name of element.dataset.behaviour.split(" ")) {
      const done = awake.get(element) || new Set();
      if (!known.has(name) || done.has(name)) continue;
      done.add(name);
      awake.set(element, done);
      known.get(name)(element);
    }
  }
}
