import { desk } from "../../../server/desk";
import { postCompile } from "../../../server/handlers";

export const POST = (request: Request) => postCompile(request, desk());
