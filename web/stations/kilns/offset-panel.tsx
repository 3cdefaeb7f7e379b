import type { KilnView } from "@contract/kilns";
import { LEVEL_WORDS } from "@core/firing/level";
import { Trouble } from "../../forms/notice";
import { useAct } from "../../lib/api";
import { useFigure } from "../../lib/prefs";

const MOST_K = 30;

/** The temperature offset proposed from judged firings, with its evidence; an instructor accepts it or leaves it. */
export function OffsetPanel({ view, instructor }: { view: KilnView; instructor: boolean }) {
	const accept = useAct("acceptOffset");
	const { offset } = view;
	const figure = useFigure();
	const signed = (k: number) => figure({ signedC: k });
	return (
		<section aria-label="Temperature offset">
			<h2 className="mb-1">Hotter or cooler than it shows</h2>
			{!offset ? (
				<p className="text-soft">
					Two judged firings or more are needed before an offset can be proposed: one is an accident. Judge what comes
					out at Open, level by level.
				</p>
			) : (
				<div className="flex max-w-3xl flex-col gap-2">
					<p>
						{offset.proposedK === offset.presentK ? (
							<>
								<b className="text-lg">Stays at {signed(offset.presentK)}.</b> {offset.agreeNow} of{" "}
								{offset.evidence.length} judged firings agree with it.
							</>
						) : (
							<>
								<b className="text-lg">
									Proposed: {signed(offset.proposedK)} instead of {signed(offset.presentK)}.
								</b>{" "}
								{offset.agreeNow} of {offset.evidence.length} judged firings agree now, {offset.agreeThen} would then.
								The evidence fits {signed(offset.bestK)} best; one careful step at a time.
							</>
						)}
					</p>
					<table className="w-full">
						<thead>
							<tr className="text-left text-soft">
								<th scope="col" className="font-normal">
									firing
								</th>
								<th scope="col" className="font-normal">
									expected
								</th>
								<th scope="col" className="font-normal">
									came out
								</th>
								<th scope="col" className="font-normal">
									Φ as shown
								</th>
								<th scope="col" className="font-normal">
									offsets that explain it, {signed(-MOST_K)} to {signed(MOST_K)}
								</th>
							</tr>
						</thead>
						<tbody>
							{offset.evidence.map(({ label, expected, judged, flow, fromK, toK }) => (
								<tr key={`${label}${judged}`} className="border-t border-line">
									<td className="figure py-1">{label}</td>
									<td>{LEVEL_WORDS[expected]}</td>
									<td className={judged === expected ? "" : "font-semibold text-warning"}>
										{judged === "none" ? "nothing lasting" : LEVEL_WORDS[judged]}
									</td>
									<td className="figure">{flow.toFixed(2)}</td>
									<td>
										<svg
											width="240"
											height="18"
											viewBox={`${-MOST_K} 0 ${2 * MOST_K} 18`}
											preserveAspectRatio="none"
											role="img"
											aria-label={`from ${signed(Math.round(fromK))} to ${signed(Math.round(toK))}`}
										>
											<rect x={-MOST_K} y="7" width={2 * MOST_K} height="4" className="fill-base-content/12" />
											<rect
												x={fromK}
												y="4"
												width={Math.max(0.5, toK - fromK)}
												height="10"
												className="fill-secondary/60"
											/>
											<path
												d={`M${offset.presentK} 0V18`}
												className="stroke-base-content"
												strokeWidth="2"
												vectorEffect="non-scaling-stroke"
											/>
											{offset.proposedK !== offset.presentK && (
												<path
													d={`M${offset.proposedK} 0V18`}
													className="stroke-accent"
													strokeWidth="2"
													vectorEffect="non-scaling-stroke"
												/>
											)}
										</svg>
									</td>
								</tr>
							))}
						</tbody>
					</table>
					{instructor && offset.proposedK !== offset.presentK && (
						<button
							type="button"
							className="btn btn-primary self-start"
							disabled={accept.isPending}
							onClick={() =>
								accept.send((id) => ({ lessonId: id(), kilnId: view.form.id, proposedK: offset.proposedK }))
							}
						>
							Plan with {signed(offset.proposedK)} from now on
						</button>
					)}
					<Trouble error={accept.error} />
				</div>
			)}
		</section>
	);
}
