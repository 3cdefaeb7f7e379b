import { cancelSession } from "./cancel-session";
import { enrol } from "./enrol";
import { eraseStudent } from "./erase-student";
import { leave } from "./leave";
import { makeCalendarLink } from "./make-calendar-link";
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
};

export const views = { calendar, course: courseView, students, student: studentView };
