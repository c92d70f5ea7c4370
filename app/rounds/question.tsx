import { gardenNow } from "../server/garden-now.server";
import { questionView } from "./rounds-view.server";

/** The planner's question for the garden as it stands, as the page of the rounds asks for it. */
export const loader = () =>
  new Response(questionView(gardenNow()), { headers: { "Content-Type": "application/json; charset=utf-8" } });
