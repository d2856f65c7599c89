// Set the light mode before the first paint, so that dusk never flashes white.
(() => {
  let light = "day";
  try {
    light = localStorage.getItem("emulsa-light") || light;
  } catch {
    // a private window without storage gets day light
  }
  document.documentElement.classList.add(light === "dusk" ? "dark" : "light");
})();
