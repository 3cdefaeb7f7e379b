import { expect, setup, test } from "./studio";

test("sign-in is limited: the ninth try in a minute is told to wait", async ({ playwright }) => {
	const { address } = setup();
	const request = await playwright.request.newContext();
	const attempt = async () =>
		(
			await request.post(`${address}/api/auth/sign-in/email`, {
				headers: { Origin: address },
				data: { email: "marit@tailvane.example", password: "wrong wrong wrong" },
			})
		).status();
	const answers: number[] = [];
	for (let i = 0; i < 10; i++) answers.push(await attempt());
	expect(answers.at(-1)).toBe(429);
});
