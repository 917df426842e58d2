/** What the command line and the server carry as text, put in its place as they are built (scripts/build-page.mjs); the application fetches it instead. */
declare const PAGE_SCRIPT: string;
declare const RUNTIME_FILES: Readonly<Record<string, string>>;
declare const PORT_FILES: Readonly<Record<string, string>>;

/** The script of the page that plays by itself. */
export const pageScript = (): string => PAGE_SCRIPT;
/** The files of the package nodulum-runtime by their paths in it. */
export const runtimeFiles = (): Readonly<Record<string, string>> => RUNTIME_FILES;
/** The files of the port in C by their paths in its parcel. */
export const portFiles = (): Readonly<Record<string, string>> => PORT_FILES;
