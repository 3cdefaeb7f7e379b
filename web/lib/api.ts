import type { Trouble } from "@contract/action";
import type { ActionInput, ActionName, ActionOutput } from "@contract/actions";
import type { ViewName, Views } from "@contract/views";
import { written } from "@core/units/written";
import { QueryClient, useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useEffect, useMemo } from "react";
import { useIntents } from "./intents";
import { KeepCurrent } from "./keep-current";
import { type Heard, onHeard } from "./live";
import { unreadable } from "./unreadable";

/** The server's "no": sentences, each with the path of the field it is about. */
export class TroubleError extends Error {
	constructor(
		readonly status: number,
		readonly problems: Trouble["problems"],
	) {
		super(problems.map(({ sentence }) => written(sentence)).join(" "));
	}
}

/** One cache a page. Never shared on the server: there it would show one person what another one asked for. */
export const newQueryClient = (): QueryClient =>
	new QueryClient({
		defaultOptions: {
			queries: { staleTime: Number.POSITIVE_INFINITY, retry: 1, networkMode: "always" },
			mutations: { networkMode: "always" },
		},
	});

async function answerOf<T>(response: Response): Promise<T> {
	const body: unknown = await response
		.json()
		.catch(() => ({ problems: [{ path: [], sentence: ["The server gave no answer that can be read."] }] }));
	if (!response.ok) throw new TroubleError(response.status, (body as Trouble).problems);
	return body as T;
}

async function ask(url: string, init?: RequestInit): Promise<Response> {
	try {
		return await fetch(url, init);
	} catch (error) {
		if (init?.signal?.aborted && (error as Error).name === "AbortError") throw error;
		throw new TroubleError(0, [
			{ path: [], sentence: ["The server cannot be reached. What you typed is still here; try again in a moment."] },
		]);
	}
}

/** A view that has not come after this long is asked again, ms. */
const PATIENCE_MS = 20_000;

export async function see<N extends ViewName>(
	name: N,
	params: Record<string, string> = {},
	signal?: AbortSignal,
): Promise<Views[N]> {
	const tooLate = AbortSignal.timeout(PATIENCE_MS);
	const query = new URLSearchParams(params);
	return answerOf(
		await ask(`/api/see/${name}?${query}`, { signal: signal ? AbortSignal.any([signal, tooLate]) : tooLate }),
	);
}

/** By this mark a page knows its own doings when the stream tells of them: their answers told it already. */
const OWN_MARK = Math.random().toString(36).slice(2);

/** What this page did itself, told to the views it shows. */
const doings = new Set<(heard: Heard) => void>();
const didChange = (heard: Heard) => {
	for (const each of doings) each(heard);
};

/** Makes the studio do something. Send the same event id again after a doubt: it counts once. */
async function act<N extends ActionName>(name: N, input: ActionInput<N>, file?: File): Promise<ActionOutput[N]> {
	const problems = unreadable(input);
	if (problems.length > 0) throw new TroubleError(400, problems);
	const url = file ? `/api/do/${name}?${new URLSearchParams(input as Record<string, string>)}` : `/api/do/${name}`;
	const response = await ask(url, {
		method: "POST",
		headers: {
			"Content-Type": file ? "application/octet-stream" : "application/json",
			"X-Zephyr-Mark": OWN_MARK,
		},
		body: file ?? JSON.stringify(input),
	});
	const output = await answerOf<ActionOutput[N]>(response);
	const views = response.headers.get("X-Zephyr-Views")?.split(" ").filter(Boolean) ?? [];
	didChange({ views });
	return output;
}

/** A view is asked again after this long though nothing was heard: the stream may have failed without a word, ms. */
const ASK_ANYWAY_MS = 30_000;

const concerns = ({ views }: Heard, name: string) => views === "all" || views.includes(name);

/** A view that keeps itself current: given by the page first, asked again whenever what it shows changes. */
export function useView<N extends ViewName>(
	name: N,
	params: Record<string, string>,
	initial?: Views[N],
	enabled = true,
) {
	const queries = useQueryClient();
	const keyText = JSON.stringify([name, params]);
	const query = useQuery({
		queryKey: [name, params],
		queryFn: ({ signal }) => see(name, params, signal),
		...(initial === undefined ? {} : { initialData: initial }),
		enabled,
		refetchInterval: ASK_ANYWAY_MS,
		placeholderData: (before: Views[N] | undefined) => before,
	} as Parameters<typeof useQuery<Views[N]>>[0]);
	const current = useMemo(() => new KeepCurrent(queries, JSON.parse(keyText)), [queries, keyText]);
	useEffect(() => {
		if (!query.isFetching) current.ended();
	}, [current, query.isFetching]);
	useEffect(() => {
		const did = (heard: Heard) => concerns(heard, name) && current.did();
		doings.add(did);
		const stop = onHeard((heard) => {
			if (concerns(heard, name) && heard.mark !== OWN_MARK) current.heard();
		});
		return () => {
			doings.delete(did);
			stop();
		};
	}, [name, current]);
	return query;
}

/**
 * An action with its state: pending, its trouble, and what to do afterwards.
 * @param inOrder a name under which sendings wait for each other, where a later one must not overtake an earlier one
 */
export function useAct<N extends ActionName>(
	name: N,
	done?: (output: ActionOutput[N], input: ActionInput<N>) => void,
	inOrder?: string,
) {
	const intents = useIntents<ActionInput<N>>();
	const mutation = useMutation<ActionOutput[N], TroubleError, ActionInput<N>>({
		mutationFn: (input) => act(name, input),
		...(inOrder === undefined ? {} : { scope: { id: inOrder } }),
		onSuccess: (output, input) => {
			intents.answered(input);
			done?.(output, input);
		},
		onError: ({ status }, input) => {
			// Without an answer it may have been kept all the same: the same press again is the same event.
			if (status === 0 || status >= 500) didChange({ views: "all" });
			else intents.answered(input);
		},
	});
	return {
		...mutation,
		/** For what adds something: its ids are asked for, and are the same again until the server has answered. */
		send: (build: (id: () => string) => ActionInput<N>) => mutation.mutate(intents.withIds(build)),
		sendAsync: (build: (id: () => string) => ActionInput<N>) => mutation.mutateAsync(intents.withIds(build)),
	};
}

type UploadName = "addPhoto" | "addSamplePicture";

/** An action that sends an image. */
export const upload = <N extends UploadName>(name: N, input: ActionInput<N>, file: File): Promise<ActionOutput[N]> =>
	act(name, input, file);
