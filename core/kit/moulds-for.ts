import { type FuseLevel, keepsSurface } from "../firing/level";
import type { Mould, MouldKind } from "./mould";

/** What glass is bent over or into, and what it is cast in or laid on. */
const BENDS: readonly MouldKind[] = ["dish", "drape", "stand"];
const LIES: readonly MouldKind[] = ["texture", "ring"];

/** Moulds that serve a firing to a level: not put away, and no frame, which is not fired. */
export const mouldsFor = <M extends Pick<Mould, "kind" | "retired">>(moulds: readonly M[], level: FuseLevel): M[] =>
	moulds.filter(({ kind, retired }) => !retired && (keepsSurface(level) ? BENDS : LIES).includes(kind));
