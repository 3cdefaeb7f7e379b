import type { ActionInput, ActionName, ActionOutput, Trouble } from "@contract/actions";
import type { ViewName, Views } from "@contract/views";
import { QueryClient, useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useEffect } from "react";
import { onTopic } from "./live";

/** The server's "no": sentences, each with the path of the field it is about. */
export class TroubleError extends Error {
	constructor(
		readonly status: number,
		readonly problems: Trouble["problems"],
	) {
		super(problems.map(({ sentence }) => sentence).join(" "));
	}
}

/** One cache a page. Never shared on the server: there it would show one person what another one asked for. */
export const newQueryClient = (): QueryClient =>
	new QueryClient({ defaultOptions: { queries: { staleTime: Number.POSITIVE_INFINITY, retry: 1 } } });

async function answerOf<T>(response: Response): Promise<T> {
	const body: unknown = await response
		.json()
		.catch(() => ({ problems: [{ path: [], sentence: "The server gave no answer that can be read." }] }));
	if (!response.ok) throw new TroubleError(response.status, (body as Trouble).problems);
	return body as T;
}

async function ask(url: string, init?: RequestInit): Promise<Response> {
	try {
		return await fetch(url, init);
	} catch {
		throw new TroubleError(0, [
			{ path: [], sentence: "The server cannot be reached. What you typed is still here; try again in a moment." },
		]);
	}
}

/** Makes the studio do something. Send the same event id again after a doubt: it counts once. */
async function act<N extends ActionName>(name: N, input: ActionInput<N>): Promise<ActionOutput[N]> {
	const response = await ask(`/api/do/${name}`, {
		method: "POST",
		headers: { "Content-Type": "application/json" },
		body: JSON.stringify(input),
	});
	return answerOf(response);
}

export async function see<N extends ViewName>(
	name: N,
	params: Record<string, string> = {},
	signal?: AbortSignal,
): Promise<Views[N]> {
	return answerOf(await ask(`/api/see/${name}?${new URLSearchParams(params)}`, { signal }));
}

export async function sendPhoto(pieceId: string, eventId: string, file: File): Promise<{ photoId: string }> {
	const url = `/api/photos?${new URLSearchParams({ piece: pieceId, event: eventId })}`;
	return answerOf(
		await ask(url, { method: "POST", headers: { "Content-Type": "application/octet-stream" }, body: file }),
	);
}

export async function sendSamplePicture(sampleId: string, file: File): Promise<{ sampleId: string }> {
	return answerOf(
		await ask(`/api/samples/${sampleId}`, {
			method: "POST",
			headers: { "Content-Type": "application/octet-stream" },
			body: file,
		}),
	);
}

/** Views that change with every kiln reading; all others only when somebody did something. */
const HOT_VIEWS: readonly string[] = ["frame", "readings", "open", "kiln"];

/** A view that keeps itself current: given by the page first, asked again whenever the studio changes. */
export function useView<N extends ViewName>(
	name: N,
	params: Record<string, string>,
	initial?: Views[N],
	enabled = true,
) {
	const queries = useQueryClient();
	const query = useQuery({
		queryKey: [name, params],
		queryFn: ({ signal }) => see(name, params, signal),
		...(initial === undefined ? {} : { initialData: initial }),
		enabled,
		placeholderData: (before: Views[N] | undefined) => before,
	} as Parameters<typeof useQuery<Views[N]>>[0]);
	useEffect(
		() =>
			onTopic((topic) => {
				if (topic !== "readings" || HOT_VIEWS.includes(name)) void queries.invalidateQueries({ queryKey: [name] });
			}),
		[name, queries],
	);
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
	const queries = useQueryClient();
	return useMutation<ActionOutput[N], TroubleError, ActionInput<N>>({
		mutationFn: (input) => act(name, input),
		...(inOrder === undefined ? {} : { scope: { id: inOrder } }),
		onSuccess: (output, input) => {
			void queries.invalidateQueries();
			done?.(output, input);
		},
	});
}
