import { desk } from "../../../server/desk";
import { postCheck } from "../../../server/handlers";

export const POST = (request: Request) => postCheck(request, desk());
