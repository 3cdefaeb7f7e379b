import { scheduleBench } from "./bench";
import { planFiring } from "./plan-firing";
import { reschedule } from "./reschedule";
import { saveSchedule } from "./save-schedule";
import { saveSchools } from "./save-schools";
import { schedules } from "./views";

export const useCases = { saveSchedule, saveSchools, planFiring, reschedule };

export const views = { schedules, schedule: scheduleBench };
