"""Every source the rules cite, one key each; answers and docs use the key."""

SOURCES = {
    "iso-2720": "ISO 2720, General purpose photographic exposure meters (photoelectric type).",
    "iso-516": "ISO 516, Camera shutters: timing. Series of marks from memory.",
    "iso-517": "ISO 517, Apertures of lenses: markings. Series of marks from memory.",
    "manual": "The Manual of Photography, Focal Press: lens extension, thin-lens conjugates.",
    "stroebel-view": "Stroebel, View Camera Technique: bellows, pupil magnification.",
    "stroebel-materials": "Stroebel et al., Basic Photographic Materials and Processes: "
    "tone placement, filter factors, development.",
    "schwarzschild-1900": "Schwarzschild, Astrophysical Journal, 1900: exposure as I·t^p.",
    "rayleigh-1891": "Rayleigh, On pin-hole photography, Philosophical Magazine, 1891.",
    "todd-zakia": "Todd & Zakia, Photographic Sensitometry.",
    "practice": "Common practice, no source.",
    "definition": "Definition.",
}
