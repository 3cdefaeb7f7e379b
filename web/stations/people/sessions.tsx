import type { SessionView } from "@contract/people";
import { dayAndClock } from "@formats/time";
import { Trouble } from "../../forms/notice";
import { useAct } from "../../lib/api";
import { usePrefs } from "../../lib/prefs";
import { agentWords } from "./agent-words";

/** Where somebody is signed in; any of it ends at a press. */
export function Sessions({ userId, sessions }: { userId: string; sessions: readonly SessionView[] }) {
	const { timeZone } = usePrefs();
	const end = useAct("endSessions");
	const others = sessions.filter(({ own }) => !own);
	if (sessions.length === 0) return <p className="text-soft">Not signed in anywhere.</p>;
	return (
		<>
			<ul className="ruled">
				{sessions.map(({ id, since, address, agent, own }) => (
					<li key={id} className="flex min-h-12 items-center justify-between gap-3 py-1">
						<span className="min-w-0">
							<b>{agentWords(agent)}</b>
							{own && <span className="text-success"> this one</span>}
							<span className="block text-soft">
								since {dayAndClock(since, timeZone)}
								{address && `, from ${address}`}
							</span>
						</span>
						{!own && (
							<button
								type="button"
								className="btn btn-sm max-lg:h-11"
								disabled={end.isPending}
								onClick={() => end.mutate({ userId, sessionId: id })}
							>
								End
							</button>
						)}
					</li>
				))}
			</ul>
			{others.length > 1 && (
				<button
					type="button"
					className="btn btn-sm mt-2 max-lg:h-11"
					disabled={end.isPending}
					onClick={() => end.mutate({ userId })}
				>
					End all {others.length} others
				</button>
			)}
			<Trouble error={end.error} />
		</>
	);
}
