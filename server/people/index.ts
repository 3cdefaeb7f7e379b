import { changePassword } from "./change-password";
import { endSessions } from "./end-sessions";
import { invite } from "./invite";
import { beginSecondFactor, confirmSecondFactor, dropSecondFactor } from "./second-factor";
import { setDisabled } from "./set-disabled";
import { setRole } from "./set-role";
import { takeBackInvitation } from "./take-back-invitation";

export const useCases = {
	beginSecondFactor,
	changePassword,
	confirmSecondFactor,
	dropSecondFactor,
	endSessions,
	invite,
	setDisabled,
	setRole,
	takeBackInvitation,
};
export { views } from "./views";
