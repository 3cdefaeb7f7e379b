import type { Page } from "@playwright/test";
import { open } from "./studio";

/** Pages that belong to something: found as a person finds them. */
export async function ownPages(page: Page): Promise<Record<"kit" | "kiln" | "piece" | "course" | "student", string>> {
	await open(page, "/kits");
	const kit = (await page.locator("main ul li a").first().getAttribute("href")) ?? "";
	await open(page, "/fire/kilns");
	const kiln = (await page.locator("main li a").first().getAttribute("href")) ?? "";
	await open(page, "/hand-over");
	const code = (await page.locator("main li span.figure").first().textContent())?.trim() ?? "";
	const { sessions } = await (await page.request.get("/api/see/calendar")).json();
	const { students } = await (await page.request.get("/api/see/students")).json();
	return {
		...{ kit, kiln, piece: `/piece/${code}` },
		...{ course: `/classes/${sessions[0].courseId}`, student: `/students?student=${students[0].id}` },
	};
}
