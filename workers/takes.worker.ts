/** Comparing takes behind a message channel. */
import { expose } from "comlink";
import { createTakesService } from "./takesService";

expose(createTakesService());
