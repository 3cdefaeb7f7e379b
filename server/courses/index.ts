import { cancelSession } from "./cancel-session";
import { decideSignUp } from "./decide-sign-up";
import { enrol } from "./enrol";
import { eraseStudent } from "./erase-student";
import { leave } from "./leave";
import { makeCalendarLink } from "./make-calendar-link";
import { makeSignUpLink } from "./make-sign-up-link";
import { markAttendance } from "./mark-attendance";
import { moveSessions } from "./move-sessions";
import { saveCourse } from "./save-course";
import { saveSession } from "./save-session";
import { saveStudent } from "./save-student";
import { takeStudents } from "./take-students";
import { calendar, courseView, students, studentView } from "./views";

export const useCases = {
	saveCourse,
	saveSession,
	moveSessions,
	cancelSession,
	saveStudent,
	takeStudents,
	eraseStudent,
	enrol,
	leave,
	markAttendance,
	makeCalendarLink,
	makeSignUpLink,
	decideSignUp,
};

export const views = { calendar, course: courseView, students, student: studentView };
