// @ts-check
/* A block as spreadsheets put it on the clipboard: lines of fields between tabs, fields in quotes where they hold any of these. */

/** @param {string} text @returns {string[][]} */
export function namesIn(text) {
  const rows = [[""]];
  let quoted = false;
  for (let at = 0; at < text.length; at += 1) {
    const sign = text[at];
    const line = rows[rows.length - 1];
    const last = line.length - 1;
    if (quoted) {
      if (sign !== '"') line[last] += sign;
      else if (text[at + 1] === '"') {
        line[last] += sign;
        at += 1;
      } else quoted = false;
    } else if (sign === '"' && !line[last]) quoted = true;
    else if (sign === "\t") line.push("");
    else if (sign === "\n") rows.push([""]);
    else if (sign !== "\r") line[last] += sign;
  }
  while (rows.length && rows[rows.length - 1].every((name) => !name.trim())) rows.pop();
  return rows.map((line) => line.map((name) => name.trim()));
}
