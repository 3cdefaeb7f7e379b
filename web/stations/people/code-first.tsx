import { QueryClientProvider } from "@tanstack/react-query";
import { useState } from "react";
import { newQueryClient } from "../../lib/api";
import { SecondFactor } from "./second-factor";
import { signOut } from "./sign-out";

/** All there is for somebody of whom the studio asks a code and who has none yet: setting it up, or leaving. */
export default function CodeFirst({ userId, then }: { userId: string; then: string }) {
	const [queries] = useState(newQueryClient);
	return (
		<QueryClientProvider client={queries}>
			<SecondFactor userId={userId} on={false} recoveryLeft={0} onReady={() => location.assign(then)} />
			<button type="button" className="btn btn-ghost self-start" onClick={signOut}>
				Sign out
			</button>
		</QueryClientProvider>
	);
}
