/** From one firing back to the whole plan. */
export const BackToPlan = ({ onBack }: { onBack(): void }) => (
	<button type="button" className="btn btn-ghost btn-sm self-start px-0" onClick={onBack}>
		← the whole plan
	</button>
);
