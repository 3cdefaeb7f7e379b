/** Ends this session, and goes to the door. */
export async function signOut(): Promise<void> {
	await fetch("/api/auth/sign-out", { method: "POST", headers: { "Content-Type": "application/json" }, body: "{}" });
	location.assign("/sign-in");
}
