/** Files and backups behind a message channel. */
import { expose } from "comlink";
import { createArchiveService } from "./archiveService";

expose(createArchiveService());
