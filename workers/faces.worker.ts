/** Judging faces behind a message channel. */
import { expose } from "comlink";
import { createFacesService } from "./facesService";

expose(createFacesService());
