import { useState } from "react";
import { Trouble } from "../../forms/notice";
import { useAct } from "../../lib/api";
import Popup from "../../ui/popup";
import { SecretAddress } from "../../ui/secret-address";

/** The secret address under which other calendars read this one. */
export function FeedLink({ path }: { path: string | null }) {
	const [open, setOpen] = useState(false);
	const make = useAct("makeCalendarLink");
	return (
		<span className="relative">
			<button type="button" className="btn btn-sm max-lg:h-11" aria-expanded={open} onClick={() => setOpen(!open)}>
				In other calendars
			</button>
			{open && (
				<Popup label="In other calendars" onClose={() => setOpen(false)}>
					<div className="flex flex-col gap-2">
						{path ? (
							<>
								<p>
									Whoever has this address reads the classes, without names. Add it to a calendar program as a
									subscription.
								</p>
								<SecretAddress label="Address of the feed" path={path}>
									<button
										type="button"
										className="btn btn-sm max-lg:h-11"
										disabled={make.isPending}
										onClick={() => make.mutate({ on: true })}
									>
										A new address instead
									</button>
									<button
										type="button"
										className="btn btn-ghost btn-sm max-lg:h-11"
										disabled={make.isPending}
										onClick={() => make.mutate({ on: false })}
									>
										Stop it
									</button>
								</SecretAddress>
								<p className="text-soft">A new address ends the old one, wherever it was given.</p>
							</>
						) : (
							<>
								<p>Nobody reads the calendar from outside yet.</p>
								<button
									type="button"
									className="btn btn-sm btn-primary self-start max-lg:h-11"
									disabled={make.isPending}
									onClick={() => make.mutate({ on: true })}
								>
									Make an address
								</button>
							</>
						)}
						<Trouble error={make.error} />
					</div>
				</Popup>
			)}
		</span>
	);
}
