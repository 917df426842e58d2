/** Reading files behind a message channel. */
import { expose } from "comlink";
import { createReadingService } from "./readingService";

expose(createReadingService());
