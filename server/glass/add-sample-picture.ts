import { sample } from "@db/schema";
import { eq } from "drizzle-orm";
import type { UseCase } from "../house/context";
import { inTheBook } from "../house/refusal";
import { kept } from "../house/uploads";

/** A new picture of a sample, in place of the one it had. */
export const addSamplePicture: UseCase<"addSamplePicture"> = async (context, { sampleId }) => {
	const { image } = kept(context);
	const [changed] = await context.tx
		.update(sample)
		.set({ picture: image })
		.where(eq(sample.id, sampleId))
		.returning({ id: sample.id });
	return { sampleId: inTheBook(changed, "sample").id };
};
