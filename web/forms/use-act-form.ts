import type { Trouble } from "@contract/action";
import type { ActionInput, ActionName, ActionOutput } from "@contract/actions";
import { problemsOf } from "@contract/problems";
import { readWritten, written } from "@core/units/written";
import { useRef, useState } from "react";
import {
	type DefaultValues,
	type FieldErrors,
	type FieldPath,
	type FieldPathValue,
	type FieldValues,
	get,
	type PathValue,
	set,
	useForm,
} from "react-hook-form";
import type { z } from "zod";
import { TroubleError, useAct } from "../lib/api";

type Problem = Trouble["problems"][number];
/** Where a sentence about no field in particular is kept. */
const WHOLE = "root.whole";

interface Options<N extends ActionName, V> {
	/** What the fields begin with, under the names they have in the action's input; what is not typed yet is NaN or empty. */
	start: V;
	/** The action's own schema. Loaded at the first press, so that no page waits for it. */
	schema(): Promise<{ schema: z.ZodType }>;
	/** What is sent of what was typed, where that is not the same; ids stay the same until the server has answered. */
	sent?(values: V, id: () => string): ActionInput<N>;
	/** What has to be done first; where it is not, nothing is sent. */
	before?(values: V): Promise<boolean>;
	/** What the fields say once it was done, where that is not what was typed. */
	next?(values: V): V;
	done?(output: ActionOutput[N], input: ActionInput<N>): unknown;
}

/**
 * A form that makes the studio do something: its fields are the action's input, checked by the action's own schema before it
 * is sent, and what the server refuses stands at the field it is about, by its whole path. A revision goes on with what is kept.
 */
export function useActForm<N extends ActionName, V extends FieldValues>(
	name: N,
	{
		start,
		schema,
		sent = (values) => values as unknown as ActionInput<N>,
		before,
		next = (values) => values,
		done,
	}: Options<N, V>,
) {
	const act = useAct(name);
	/** Paths whose fields show their own sentence. */
	const shown = useRef(new Set<string>());
	shown.current.clear();
	const { handleSubmit, watch, getValues, setValue, setError, reset, formState } = useForm<V>({
		defaultValues: start as unknown as DefaultValues<V>,
		resolver: async (values) => {
			const found = await schema().catch(() => undefined); // without the network the server says it all
			const parsed = found?.schema.safeParse(sent(values, () => crypto.randomUUID()));
			const problems = parsed?.success === false ? problemsOf(parsed.error) : [];
			return problems.length > 0 ? { values: {}, errors: errorsOf<V>(problems) } : { values, errors: {} };
		},
	});
	const values = watch();
	const { errors, isDirty, isSubmitting } = formState;
	const [keptOnce, setKeptOnce] = useState(false);
	const errorAt = (path: string): string | undefined => {
		shown.current.add(path);
		return (get(errors, path) as { message?: string } | undefined)?.message;
	};
	const put = <P extends FieldPath<V>>(path: P, value: FieldPathValue<V, P>) =>
		setValue(path, value as PathValue<V, P>, { shouldDirty: true, shouldValidate: formState.isSubmitted });
	/** From what was kept, at its revision; what was typed meanwhile stays, and is still to be kept. */
	const goOn = (typed: V, revision: number | undefined) => {
		const kept = { ...next(typed), ...(revision !== undefined && { revision }) };
		const meanwhile = JSON.stringify(getValues()) !== JSON.stringify(typed);
		reset(kept, { keepValues: meanwhile });
		if (meanwhile && revision !== undefined)
			setValue("revision" as FieldPath<V>, revision as PathValue<V, FieldPath<V>>);
		setKeptOnce(true);
	};
	const submit = handleSubmit(async (typed) => {
		if (before && !(await before(typed as V))) return;
		let input: ActionInput<N> | undefined;
		try {
			const output = await act.sendAsync((id) => {
				input = sent(typed as V, id);
				return input;
			});
			goOn(typed as V, (output as { revision?: number }).revision);
			if (input) await done?.(output, input);
		} catch (error) {
			if (!(error instanceof TroubleError)) throw error;
			for (const { path, sentence } of error.problems)
				setError((path.join(".") || WHOLE) as FieldPath<V>, { type: "server", message: written(sentence) });
		}
	});
	return {
		values,
		submit,
		errorAt,
		set: put,
		/** A field's value, its change and its sentence, to be spread into it. */
		field: <P extends FieldPath<V>>(path: P) => ({
			value: get(values, path) as FieldPathValue<V, P>,
			onChange: (value: FieldPathValue<V, P>) => put(path, value),
			error: errorAt(path),
		}),
		/** A number that has to be there: empty is not a number. */
		number: (path: FieldPath<V>) => ({
			value: get(values, path) as number | null,
			onChange: (value: number | null) => put(path, (value ?? Number.NaN) as FieldPathValue<V, FieldPath<V>>),
			error: errorAt(path),
		}),
		/** What no field of the form says itself. Asked for after its fields. */
		others: (): Problem[] => problemsIn(errors).filter(({ path }) => !shown.current.has(path.join("."))),
		pending: isSubmitting,
		answer: act.data,
		refusal: act.error,
		isKept: keptOnce && !isDirty,
	};
}

/** Of any action's form, what its frame needs. */
export type ActForm = Pick<ReturnType<typeof useActForm>, "submit" | "others" | "pending" | "isKept">;

function errorsOf<V extends FieldValues>(problems: readonly Problem[]): FieldErrors<V> {
	const errors: FieldErrors = {};
	for (const { path, sentence } of problems) {
		const at = path.join(".") || WHOLE;
		if (!get(errors, at)) set(errors, at, { type: "schema", message: written(sentence) });
	}
	return errors as FieldErrors<V>;
}

function problemsIn(errors: object, path: (string | number)[] = []): Problem[] {
	if ("message" in errors && typeof errors.message === "string")
		return [{ path: path[0] === "root" ? [] : path, sentence: readWritten(errors.message) }];
	return Object.entries(errors).flatMap(([key, one]) =>
		typeof one === "object" && one !== null && key !== "ref" ? problemsIn(one, [...path, key]) : [],
	);
}
