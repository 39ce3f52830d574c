/**
 * The word by which the styles that dialogs and menus lay into the page are known to be its own; the
 * server makes a new one for each page. While developing there is none, and none is asked for.
 */
import { setNonce } from "get-nonce";

const META = 'meta[name="style-nonce"]';
const UNSET = "%NONCE%";

const given = document.querySelector<HTMLMetaElement>(META)?.content;

export const NONCE = given === UNSET ? undefined : given;

/** Tells those who lay styles into the page by themselves. */
export function shareNonce(): void {
  if (NONCE !== undefined) setNonce(NONCE);
}
