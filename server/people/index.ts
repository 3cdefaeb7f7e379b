import { changePassword } from "./change-password";

export const useCases = { changePassword };
