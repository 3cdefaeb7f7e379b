import type { LoadView } from "@contract/loads";
import { dayWords } from "@formats/time";
import { useNow } from "../../lib/clock";
import { useFigure, usePrefs } from "../../lib/prefs";
import { LevelGlyph, PromiseMark, StackBar } from "../../ui/signs";

type Tray = LoadView["trays"][number];

/** What waits for one kind of load; chosen, its pieces can be left out one by one. */
export function TrayRow({
	tray,
	chosen,
	onChoose,
	without,
	toggle,
}: {
	tray: Tray;
	chosen: boolean;
	onChoose(): void;
	without: readonly string[];
	toggle(id: string): void;
}) {
	const figure = useFigure();
	const { timeZone } = usePrefs();
	const nowMs = useNow(60);
	const band = tray.upToMm === null ? `over ${figure({ mm: tray.fromMm })}` : `to ${figure({ mm: tray.upToMm })}`;
	return (
		<li className={`border-t border-line ${chosen ? "bg-pick" : ""}`}>
			<button
				type="button"
				aria-expanded={chosen}
				className="flex min-h-14 w-full items-center gap-3 px-5 py-2 text-left"
				onClick={onChoose}
			>
				<LevelGlyph level={tray.level} label={false} />
				<span className="min-w-0 grow">
					<b className="block">
						{tray.familyId} · <LevelWord level={tray.level} /> · {band}
					</b>
					<span className="block text-soft">
						{tray.promised ? `promised ${dayWords(tray.promised, new Date(nowMs), timeZone)}` : "no promise"}
					</span>
				</span>
				<span className="figure text-2xl font-bold">{tray.pieces.length}</span>
			</button>
			{chosen && (
				<ul className="px-5 pb-2">
					{tray.pieces.map((piece) => (
						<li key={piece.id}>
							<label className="flex min-h-11 cursor-pointer items-center gap-2.5">
								<input
									type="checkbox"
									className="checkbox checkbox-sm checkbox-secondary"
									checked={!without.includes(piece.id)}
									onChange={() => toggle(piece.id)}
								/>
								<StackBar stack={piece.stack} width={18} />
								<b className="figure tracking-wide">{piece.code}</b>
								<span className="min-w-0 grow truncate">{piece.student}</span>
								{piece.promise && piece.promise !== "ok" && <PromiseMark state={piece.promise} />}
							</label>
						</li>
					))}
				</ul>
			)}
		</li>
	);
}

const LevelWord = ({ level }: { level: Tray["level"] }) => <>{level === "firePolish" ? "fire polish" : level}</>;
