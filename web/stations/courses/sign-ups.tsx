import type { CourseView } from "@contract/courses";
import type { SignUpBrief } from "@contract/sign-up";
import { sameName } from "@formats/columns";
import { dayAndClock } from "@formats/time";
import { Trouble } from "../../forms/notice";
import { useAct } from "../../lib/api";
import { usePrefs } from "../../lib/prefs";
import { SecretAddress } from "../../ui/secret-address";
import { TwoPresses } from "../../ui/two-presses";

/** Who asked for a place from outside, and the address where they do. */
export function SignUps({ view }: { view: CourseView }) {
	const { course, signUps, signUpPath } = view;
	const make = useAct("makeSignUpLink");
	const decide = useAct("decideSignUp");
	const button = (on: boolean, words: string, look: string) => (
		<button
			type="button"
			className={`btn btn-sm max-lg:h-11 ${look}`}
			disabled={make.isPending}
			onClick={() => make.mutate({ courseId: course.id, on })}
		>
			{words}
		</button>
	);
	return (
		<div className="flex flex-col gap-4">
			<section aria-label="Asked for a place" className="flex flex-col gap-1">
				<h2>Asked for a place</h2>
				{signUps.length === 0 && <p className="text-soft">Nobody waits for an answer.</p>}
				<ul className="ruled">
					{signUps.map((one) => (
						<li key={one.id} className="flex flex-col gap-2 py-2.5">
							<SignUpLines one={one} />
							<TwoPresses
								label="Say no …"
								warning={`${one.name} is taken off and not kept. Tell them: ${one.email}`}
								sure="Say no"
								keep="Not yet"
								pending={decide.isPending}
								onSure={() => decide.mutate({ signUpId: one.id, letIn: false })}
							>
								<LetIn
									one={one}
									pending={decide.isPending}
									onLetIn={(as) => decide.mutate({ signUpId: one.id, letIn: true, as })}
								/>
							</TwoPresses>
						</li>
					))}
				</ul>
				{decide.data && (
					<p role="status">
						{decide.data.waiting > 0
							? "No place is free: on the waiting list."
							: decide.data.enrolled > 0
								? "Has a place. Tell them so."
								: ""}
					</p>
				)}
				<Trouble error={decide.error} />
			</section>
			<section aria-label="Sign-up page" className="flex flex-col gap-2 border-t border-line pt-3">
				<h2>Sign-up page</h2>
				{signUpPath ? (
					<>
						<p>
							Whoever has this address sees the evenings, the price, the places left and the kits, and may ask for a
							place. Nobody is in before you say so.
						</p>
						<SecretAddress label="Address of the sign-up page" path={signUpPath}>
							<a className="btn btn-sm max-lg:h-11" href={signUpPath} target="_blank" rel="noreferrer">
								Look at it
							</a>
							{button(true, "A new address instead", "")}
							{button(false, "Close it", "btn-ghost")}
						</SecretAddress>
					</>
				) : (
					<>
						<p>Closed: nobody signs up from outside. The kits chosen under Course are the ones offered.</p>
						<span>{button(true, "Open it", "btn-primary")}</span>
					</>
				)}
				<Trouble error={make.error} />
			</section>
		</div>
	);
}

interface LetInProps {
	one: SignUpBrief;
	pending: boolean;
	/** `as` is who of the book they are; null for somebody new, undefined where there is no doubt. */
	onLetIn(as?: string | null): void;
}

/** One press; where the book knows the e-mail by other names, one for each of them and one for somebody new. */
function LetIn({ one, pending, onLetIn }: LetInProps) {
	const inDoubt = one.known.length > 0 && !one.known.some(({ name }) => sameName(name, one.name));
	const button = (words: string, label: string, as?: string | null) => (
		<button
			key={words}
			type="button"
			className="btn btn-primary btn-sm max-lg:h-11"
			aria-label={label}
			disabled={pending}
			onClick={() => onLetIn(as)}
		>
			{words}
		</button>
	);
	if (!inDoubt) return button("Let in", `Let ${one.name} in`);
	return (
		<>
			{button("Let in as somebody new", `Let ${one.name} in as somebody new`, null)}
			{one.known.map(({ id, name }) => button(`It is ${name}`, `Let ${one.name} in as ${name}`, id))}
		</>
	);
}

function SignUpLines({ one }: { one: SignUpBrief }) {
	const { timeZone } = usePrefs();
	const { name, email, phone, adult, note, kits, waiting, known, at } = one;
	return (
		<div>
			<p className="flex items-baseline justify-between gap-2">
				<b className="text-[15px]">{name}</b>
				<span className="figure whitespace-nowrap text-soft">{dayAndClock(at, timeZone)}</span>
			</p>
			<p className="text-soft">
				<a className="underline" href={`mailto:${email}`}>
					{email}
				</a>
				{phone && `, ${phone}`}
				{adult && `, with ${adult}`}
				{known.some((other) => sameName(other.name, name)) && ", was here before"}
			</p>
			{kits.length > 0 && <p>{kits.join(", ")}</p>}
			{note && <p className="text-soft">“{note}”</p>}
			{waiting && <p className="font-semibold text-warning">Asked when all places were taken.</p>}
		</div>
	);
}
