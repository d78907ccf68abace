/* Tells the server the visitor's time zone; reloads once when it was not known. */
const zone = Intl.DateTimeFormat().resolvedOptions().timeZone;
const given = document.cookie.split("; ").find((one) => one.startsWith("mantello-zone="));
if (zone && given !== `mantello-zone=${zone}`) {
  document.cookie = `mantello-zone=${zone}; path=/; max-age=31536000; samesite=lax`;
}
