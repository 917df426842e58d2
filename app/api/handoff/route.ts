import { desk } from "../../../server/desk";
import { postHandOff } from "../../../server/handlers";

export const POST = (request: Request) => postHandOff(request, desk());
