import { useView } from "../../lib/api";

const PLACE = "/fire/schedule";

/** Begin a schedule: by hand, or for a kit, a piece that waits or a planned firing. */
export function OpenFrom() {
	const { data } = useView("schedules", {});
	const go = (query: string) => {
		if (query) location.assign(`${PLACE}?${query}`);
	};
	const choose = (label: string, options: readonly { query: string; words: string }[]) => (
		<label className="flex flex-col gap-1">
			<span className="text-soft">{label}</span>
			<select className="select select-sm h-9 w-full max-lg:h-11" value="" onChange={(event) => go(event.target.value)}>
				<option value="">choose</option>
				{options.map(({ query, words }) => (
					<option key={query} value={query}>
						{words}
					</option>
				))}
			</select>
		</label>
	);
	return (
		<div className="flex flex-col gap-2 px-4 pt-4">
			<h2>Begin another</h2>
			<a className="btn btn-sm max-lg:h-11" href={PLACE}>
				By hand
			</a>
			{choose(
				"for a kit",
				(data?.kits ?? []).map(({ id, name }) => ({ query: `kit=${id}`, words: name })),
			)}
			{choose(
				"for a piece that waits",
				(data?.pieces ?? []).map(({ code, student, kit }) => ({
					query: `piece=${code}`,
					words: [code, student, kit].filter(Boolean).join(", "),
				})),
			)}
			{choose(
				"for a planned firing",
				(data?.firings ?? []).map(({ id, number, kiln }) => ({ query: `firing=${id}`, words: `${number}, ${kiln}` })),
			)}
		</div>
	);
}
