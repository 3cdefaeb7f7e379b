import { addStarterGlass } from "./add-starter-glass";
import { firstSteps } from "./views";

export const useCases = { addStarterGlass };

export const views = { firstSteps };
