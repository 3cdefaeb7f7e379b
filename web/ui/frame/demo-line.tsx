import { lazy, Suspense, useState } from "react";

/** Loaded once somebody asks for it. */
const LeaveDemo = lazy(() => import("../../stations/people/leave-demo"));

/** On every screen of the demo: that it is one, and the way out. */
export function DemoLine() {
	const [open, setOpen] = useState(false);
	return (
		<p className="no-print flex min-h-7 flex-wrap items-center gap-x-3 border-b border-line bg-base-200 px-5 text-[13px] text-soft max-lg:min-h-11">
			<span>The demo studio: everybody and everything in it is invented.</span>
			{open ? (
				<Suspense fallback={<span>…</span>}>
					<LeaveDemo quiet />
				</Suspense>
			) : (
				<button
					type="button"
					className="min-h-7 cursor-pointer font-semibold text-base-content underline-offset-2 hover:underline max-lg:min-h-11"
					onClick={() => setOpen(true)}
				>
					Begin my own studio ›
				</button>
			)}
		</p>
	);
}
