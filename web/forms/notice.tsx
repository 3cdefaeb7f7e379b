import { written } from "@core/units/written";
import type { TroubleError } from "../lib/api";
import { Said } from "./said";

/** A problem's path as forms write it: "glass.name". */
const pathOf = ({ path }: { path: readonly (string | number)[] }) => path.join(".");

/** What the server refused, in its own sentences. Fields show theirs themselves: `except` names those whole paths. */
export function Trouble({
	error,
	except = [],
}: {
	error: TroubleError | null | undefined;
	except?: readonly string[];
}) {
	return <Problems problems={error?.problems.filter((problem) => !except.includes(pathOf(problem))) ?? []} />;
}

/** Sentences about what was typed that stand at no field. */
export function Problems({ problems }: { problems: TroubleError["problems"] }) {
	if (problems.length === 0) return null;
	return (
		<div role="alert" className="border-l-4 border-error bg-error/8 px-3 py-2 text-error">
			{problems.map(({ path, sentence }) => (
				<p key={`${path.join(".")} ${written(sentence)}`} className="font-semibold">
					<Said words={sentence} />
				</p>
			))}
		</div>
	);
}

/** The sentence the server has for one field, by its whole path: fields of the same name elsewhere have their own. */
export const troubleAt = (error: TroubleError | null | undefined, path: string): string | undefined => {
	const its = error?.problems.find((problem) => pathOf(problem) === path);
	return its && written(its.sentence);
};

/** A caution, shown where the work is. */
export function Caution({ children }: { children: React.ReactNode }) {
	return (
		<p className="flex gap-2 text-soft">
			<svg
				width="16"
				height="18"
				viewBox="0 0 16 18"
				aria-hidden="true"
				className="mt-px shrink-0 fill-none stroke-warning"
				strokeWidth="1.8"
			>
				<path d="M8 1v10M8 14.5v2" />
			</svg>
			<span>{children}</span>
		</p>
	);
}

export function Empty({ title, children }: { title: string; children: React.ReactNode }) {
	return (
		<div className="mx-auto max-w-md py-12 text-center">
			<p className="text-lg font-semibold">{title}</p>
			<p className="mt-1 text-soft">{children}</p>
		</div>
	);
}
