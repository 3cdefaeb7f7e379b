import { useState } from "react";
import { minorPerMajor, parseMoney } from "../lib/money";
import { TextField } from "./fields";

interface Props {
	label: string;
	currency: string;
	/** Minor units; null: not said. */
	value: number | null;
	onChange(minor: number | null): void;
	error?: string | undefined;
	hint?: string;
	/** Kept to a thousandth of a minor unit: "0.315" of a kWh. */
	fine?: boolean;
}

/** An amount of money; what cannot be read is not a number. Empty: not said. */
export function MoneyField({ label, currency, value, onChange, error, hint, fine = false }: Props) {
	const [misread, setMisread] = useState<string>();
	const [typed, setTyped] = useState(value === null ? "" : plain(value, currency, fine));
	return (
		<TextField
			label={`${label}, ${currency}`}
			value={typed}
			error={misread ?? error}
			{...(hint && { hint })}
			onChange={(text) => {
				setTyped(text);
				const empty = text.trim() === "";
				const minor = parseMoney(text, currency, fine);
				setMisread(empty || minor !== undefined ? undefined : `“${text}” is not an amount. Write it like 95 or 95.50.`);
				onChange(empty ? null : (minor ?? Number.NaN));
			}}
		/>
	);
}

/** As it is typed: figures only. */
const plain = (minor: number, currency: string, fine: boolean): string => {
	const per = minorPerMajor(currency);
	return fine ? String(Number((minor / per).toFixed(6))) : (minor / per).toFixed(Math.log10(per));
};
