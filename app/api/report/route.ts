import { desk } from "../../../server/desk";
import { postReport } from "../../../server/handlers";

export const POST = (request: Request) => postReport(request, desk());
