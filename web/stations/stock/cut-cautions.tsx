import { Caution } from "../../forms/notice";
import { OwnCautions } from "../../ui/own-cautions";

export const CutCautions = () => (
	<div className="flex flex-col gap-2">
		<Caution>Eye protection when cutting; no fingers along edges. Pits stop the wheel: lift it over and go on.</Caution>
		<OwnCautions station="cut" />
	</div>
);
