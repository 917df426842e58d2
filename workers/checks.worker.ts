/** The checks behind a message channel. */
import { expose } from "comlink";
import { createChecksService } from "./checksService";

expose(createChecksService());
