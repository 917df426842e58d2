import { desk } from "../../../server/desk";
import { postSettle } from "../../../server/handlers";

export const POST = (request: Request) => postSettle(request, desk());
