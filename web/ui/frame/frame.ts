import type { KilnCell } from "@contract/kilns";
import type { Role } from "@contract/people";
import type { FrameView } from "@contract/studio";

export interface Person {
	name: string;
	role: Role;
}

/** What stands round every table: rail, bars and kiln strip, and who sits there. */
export interface Frame extends FrameView {
	person: Person;
	kilns: KilnCell[];
}
