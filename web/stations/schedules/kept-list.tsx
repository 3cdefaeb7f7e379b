import type { ScheduleView } from "@contract/schedules";
import { LEVEL_WORDS } from "@core/firing/level";
import { useAway } from "../../ui/put-away";
import { LevelGlyph } from "../../ui/signs";

/** All kept schedules by name. */
export function KeptList({ view }: { view: ScheduleView }) {
	const { listed, toggle } = useAway([...view.others, ...(view.schedule ? [view.schedule] : [])]);
	const all = [...listed].sort((a, b) => a.document.name.localeCompare(b.document.name));
	return (
		<>
			<ul>
				{all.map(({ id, document, retired }) => (
					<li key={id} className="border-b border-line">
						<a
							href={`/fire/schedule?id=${id}`}
							aria-current={id === view.schedule?.id ? "page" : undefined}
							className={`flex min-h-12 items-center gap-3 px-4 py-1.5 ${id === view.schedule?.id ? "bg-pick" : "hover:bg-base-100"}`}
						>
							<LevelGlyph level={document.level} label={false} />
							<span className="min-w-0">
								<b className="block truncate">{document.name}</b>
								<span className="text-soft">
									{LEVEL_WORDS[document.level]}, {document.familyId}
									{retired && ", put away"}
								</span>
							</span>
						</a>
					</li>
				))}
			</ul>
			<div className="px-3">{toggle}</div>
		</>
	);
}
