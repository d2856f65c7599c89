/** An aperture as it is engraved: of the old uniform scale with its U, every other behind its f. */
export const apertureText = (mark: string | number) =>
  String(mark).startsWith("U") ? String(mark) : `f/${mark}`;
