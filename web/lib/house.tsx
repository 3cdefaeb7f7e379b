import type { FrameView } from "@contract/studio";
import { USUAL_CUSTOMS } from "@core/studio/customs";
import { createContext, useContext } from "react";

export type House = Pick<FrameView, "customs" | "currency">;

/** How this studio does things, for whatever stands on the table; as usual where no frame is around it. */
export const HouseContext = createContext<House>({ customs: USUAL_CUSTOMS, currency: null });

export const useHouse = (): House => useContext(HouseContext);
