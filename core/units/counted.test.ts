import { expect, it } from "vitest";
import { counted } from "./counted";

it.each([
	[0, "piece", undefined, "0 pieces"],
	[1, "piece", undefined, "1 piece"],
	[2, "class", "classes", "2 classes"],
	[1, "piece goes", "pieces go", "1 piece goes"],
])("%d %s", (n, one, many, words) => expect(counted(n, one, many)).toBe(words));
