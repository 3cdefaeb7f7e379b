import { changePassword } from "./change-password";
import { endSessions } from "./end-sessions";
import { beginSecondFactor, confirmSecondFactor, dropSecondFactor } from "./second-factor";
import { setDisabled } from "./set-disabled";

export const useCases = {
	beginSecondFactor,
	changePassword,
	confirmSecondFactor,
	dropSecondFactor,
	endSessions,
	setDisabled,
};
export { views } from "./views";
