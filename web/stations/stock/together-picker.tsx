import type { SessionBrief } from "@contract/classes";
import type { CutView } from "@contract/cutting";
import { dayWords } from "@formats/time";
import { useNow } from "../../lib/clock";
import { usePrefs } from "../../lib/prefs";
import { SessionPicker } from "../../ui/session-picker";

interface Props {
	view: Pick<CutView, "sessions" | "together">;
	session: SessionBrief;
	path: string;
}

/** Which class is cut for, and which others together with it: their parts share sheets. */
export function TogetherPicker({ view, session, path }: Props) {
	const { timeZone } = usePrefs();
	const nowMs = useNow(60);
	const others = view.sessions.filter(({ id, day }) => id !== session.id && day >= session.day);
	const toggle = (id: string) => {
		const next = view.together.includes(id) ? view.together.filter((one) => one !== id) : [...view.together, id];
		location.assign(`${path}?session=${session.id}${next.length > 0 ? `&also=${next.join(",")}` : ""}`);
	};
	return (
		<span className="flex min-w-0 items-center gap-2">
			<SessionPicker sessions={view.sessions} session={session} path={path} />
			{others.length > 0 && (
				<details className="dropdown">
					<summary className="btn btn-ghost px-2">
						{view.together.length === 0 ? "with other classes" : `with ${view.together.length} more`}
					</summary>
					<ul className="dropdown-content z-10 flex max-h-80 w-80 flex-col overflow-y-auto border border-line bg-base-200 p-2 shadow-lg">
						{others.map((one) => (
							<li key={one.id}>
								<label className="flex min-h-11 items-center gap-3 px-2 hover:bg-base-100">
									<input
										type="checkbox"
										className="checkbox checkbox-sm"
										checked={view.together.includes(one.id)}
										onChange={() => toggle(one.id)}
									/>
									<span>
										{dayWords(one.day, new Date(nowMs), timeZone)} {one.startsAt} · {one.title}
									</span>
								</label>
							</li>
						))}
					</ul>
				</details>
			)}
		</span>
	);
}
