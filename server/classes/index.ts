import { issueKits } from "./issue-kits";
import { signSafety } from "./sign-safety";
import { bench } from "./views";

export const useCases = { signSafety, issueKits };

export const views = { bench };
