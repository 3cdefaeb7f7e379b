import type { CourseView } from "@contract/courses";
import { counted } from "@core/units/counted";
import { dayWords } from "@formats/time";
import { useState } from "react";
import { help } from "../../help/course";
import { useNow } from "../../lib/clock";
import { usePrefs } from "../../lib/prefs";
import { framed, type StationProps } from "../../ui/frame/framed";
import { PutAway } from "../../ui/put-away";
import { Tabs } from "../../ui/tabs";
import { AddStudents } from "./add-students";
import { ClassesNav } from "./classes-nav";
import { CourseFields } from "./course-fields";
import { MoveCourse } from "./move-course";
import { Register } from "./register";
import { SignUps } from "./sign-ups";

export default framed("course", null, help, Course);

const TABS = [
	{ value: "people" as const, label: "Add students" },
	{ value: "signUps" as const, label: "Sign-up" },
	{ value: "move" as const, label: "Evenings" },
	{ value: "course" as const, label: "Course" },
];
type Tab = (typeof TABS)[number]["value"];

/** A course as its register: who comes to which evening, who came. */
function Course({ view, frame }: StationProps<"course">) {
	const [tab, setTab] = useState<Tab>("people");
	const { timeZone } = usePrefs();
	const nowMs = useNow(60);
	const { course, sessions, attendees, today } = view;
	const mayEdit = frame.person.role === "instructor";
	const next = sessions.find(({ day, cancelled }) => day >= today && !cancelled);
	const words = (day: string) => dayWords(day, new Date(nowMs), timeZone);
	return (
		<div className="flex h-full min-h-0 flex-col">
			<ClassesNav here="" />
			<div className="grid min-h-0 grow grid-cols-[minmax(0,1fr)_380px] max-lg:block max-lg:overflow-y-auto">
				<section aria-label="Register" className="scroll-y px-6 py-4">
					<div className="mb-3 flex items-baseline justify-between gap-6">
						<div>
							<h1>{course.title}</h1>
							<p className="text-soft">
								{summary(view)}
								{next && `, next ${words(next.day)} ${next.startsAt} to ${next.endsAt}`}
							</p>
						</div>
						{next && (
							<p className="text-right whitespace-nowrap">
								<b className="figure text-3xl">{Math.max(0, course.places - next.students)}</b>{" "}
								<span className="text-soft">of {course.places} places free</span>
							</p>
						)}
					</div>
					<Register title={course.title} sessions={sessions} attendees={attendees} today={today} />
				</section>
				<section aria-label="Change it" className="flex min-h-0 flex-col border-l border-line bg-base-100">
					<Tabs<Tab>
						label="Change it"
						className="gap-5 border-b border-line px-5"
						tabs={mayEdit ? TABS.map((one) => withSignUps(one, view.signUps.length)) : TABS.slice(0, 1)}
						open={tab}
						onOpen={setTab}
					/>
					<div className="scroll-y min-h-0 grow px-5 py-4">
						{tab === "people" && <AddStudents view={view} mayEdit={mayEdit} />}
						{tab === "signUps" && <SignUps view={view} />}
						{tab === "move" && <MoveCourse view={view} words={words} />}
						{tab === "course" && (
							<div className="flex flex-col gap-5">
								<CourseFields
									start={course}
									revision={view.revision}
									kits={view.kits}
									currency={view.currency}
									firstDay={undefined}
									onDone={() => {}}
								/>
								<PutAway
									what="course"
									id={course.id}
									name={course.title}
									retired={view.retired}
									onStruck={() => location.assign("/classes")}
								/>
							</div>
						)}
					</div>
				</section>
			</div>
		</div>
	);
}

/** A tab’s label with how many wait behind it. */
const withSignUps = (tab: (typeof TABS)[number], waiting: number) =>
	tab.value === "signUps" && waiting > 0
		? {
				...tab,
				label: (
					<>
						{tab.label} <b className="figure text-accent">{waiting}</b>
					</>
				),
			}
		: tab;

function summary({ sessions, course }: CourseView): string {
	const there = sessions.filter(({ cancelled }) => !cancelled).length;
	return `${counted(there, "evening")}${course.room ? `, ${course.room}` : ""}`;
}
