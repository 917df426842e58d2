/** Writing behind a message channel. */
import { expose } from "comlink";
import { createWritingService } from "./writingService";

expose(createWritingService());
