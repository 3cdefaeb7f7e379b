import { groupBy } from "../../group-by";
import { counted } from "../../units/counted";
import { say } from "../../units/phrase";
import type { Finding } from "../finding";
import type { Stack } from "../stack";
import { ids } from "./words";

/** Two families in one piece crack; untested glass equals no other. */
export function familyFindings({ glass, book }: Stack): Finding[] {
	const used = glass.flatMap((lain) => lain.glasses.map((one) => ({ lain, familyId: one.familyId })));
	const byFamily = groupBy(used, ({ familyId }) => familyId);
	const findings: Finding[] = [];
	if (byFamily.size > 1) {
		const labels = [...byFamily.keys()].map((id) => book.families.get(id)?.label ?? "unknown").join(" and ");
		const fewest = [...byFamily.values()].sort((a, b) => a.length - b.length)[0] ?? [];
		findings.push({
			code: "family-conflict",
			severity: "stop",
			sentence: say`${{ n: byFamily.size }} families in one piece (${labels}): it cracks, sometimes weeks later.`,
			remedy: say`Cut ${counted(fewest.length, "part", "parts")} from the other family’s glass instead.`,
			partIds: ids(fewest.map(({ lain }) => lain)),
		});
	}
	for (const [id, some] of byFamily) {
		if (book.families.get(id)?.tested !== false) continue;
		findings.push({
			code: "untested-glass",
			severity: "stop",
			sentence: say`${counted(some.length, "part is", "parts are")} of untested glass, which equals no other family.`,
			remedy: say`Ask the glass maker’s statement or do a strain test, then mark the family as tested.`,
			partIds: ids(some.map(({ lain }) => lain)),
		});
	}
	return findings;
}
