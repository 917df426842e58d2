/** Settling behind a message channel. */
import { expose } from "comlink";
import { createSettleService } from "./settleService";

expose(createSettleService());
