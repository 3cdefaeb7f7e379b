/**
 * What a change is about: the words of db/schema, each its tables, and `live`, the newest reading of a kiln. An action names
 * those it touches, a view those it shows.
 */
export const TOPICS = [
	"studio",
	"people",
	"glass",
	"stock",
	"kits",
	"classes",
	"pieces",
	"loads",
	"kilns",
	"readings",
	"alarms",
	"schedules",
	"firings",
	"microwave",
	"live",
] as const;
export type Topic = (typeof TOPICS)[number];
