/** Reading a game's code behind a message channel. */
import { expose } from "comlink";
import { createScanService } from "./scanService";

expose(createScanService());
