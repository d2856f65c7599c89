/** The header every change needs: a page from elsewhere cannot send it. */
export const OWN = { "x-emulsa": "1" };
