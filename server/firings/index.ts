import { judge } from "./judge";
import { noteFiring } from "./note-firing";
import { openFiring } from "./open-firing";
import { readings } from "./readings";
import { startFiring } from "./start-firing";
import { fire, open } from "./views";

export const useCases = { startFiring, openFiring, judge, noteFiring };

export const views = { fire, readings, open };
