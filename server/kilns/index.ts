import { acceptLearned } from "./accept-learned";
import { acceptOffset } from "./accept-offset";
import { confirmRecorder } from "./confirm-recorder";
import { doneUpkeep } from "./done-upkeep";
import { importKilnLog } from "./import-kiln-log";
import { pressStandIn } from "./press-stand-in";
import { readDisplay } from "./read-display";
import { saveKiln } from "./save-kiln";
import { seeAlarm } from "./see-alarm";
import { setOutOfService } from "./set-out-of-service";
import { steerKiln } from "./steer-kiln";
import { takeBackImport } from "./take-back-import";
import { takeKilns } from "./take-kilns";
import { tellStandIn } from "./tell-stand-in";
import { kilnList, kilnNow, kilnPage, kilnRecordView, kilnStrip, lesson, recorder } from "./views";

export const useCases = {
	saveKiln,
	setOutOfService,
	takeKilns,
	doneUpkeep,
	importKilnLog,
	confirmRecorder,
	readDisplay,
	takeBackImport,
	acceptLearned,
	acceptOffset,
	steerKiln,
	seeAlarm,
	tellStandIn,
	pressStandIn,
};

export const views = {
	kilns: kilnList,
	kiln: kilnPage,
	kilnNow,
	kilnStrip,
	kilnRecord: kilnRecordView,
	kilnLesson: lesson,
	recorder,
};
