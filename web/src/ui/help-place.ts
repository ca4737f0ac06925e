/** Where help is open: a page of docs/help and a heading of it, the page of the screen, or nowhere. */

import { makeStore } from "./store";

/** The page that belongs to the screen in sight. */
export const HERE = "";
/** Such as `desk` or `terms#gas-lens`. */
export const helpPlace = makeStore<string | null>(null);
/** Whether the screen has help that can open: before sign-in there is none. */
export const helpStands = makeStore(false);
