/** Why the database does not do what it was asked, in words for the user. */
export interface DatabaseFault {
  /** 507 where there is no room, 503 for all else (RFC 9110, section 15.6.4; RFC 4918, section 11.5). */
  readonly status: 503 | 507;
  readonly detail: string;
  /** Whether trying again is in vain. */
  readonly lasting: boolean;
}

const kept = "Your work in this window is kept, and is tried again.";

/** By the codes of SQLite, of libSQL and of the system; the first that a code starts with. */
const faults: readonly (readonly [codes: readonly string[], fault: DatabaseFault])[] = [
  [
    ["SQLITE_FULL", "ENOSPC", "EDQUOT"],
    { status: 507, lasting: false, detail: `The disk that holds the database is full. Nothing was lost; make room. ${kept}` },
  ],
  [
    ["SQLITE_READONLY", "EROFS"],
    { status: 503, lasting: false, detail: `The database may be read, but not written: its file or its folder is read-only. ${kept}` },
  ],
  [["SQLITE_BUSY", "SQLITE_LOCKED"], { status: 503, lasting: false, detail: `Another program is holding the database. ${kept}` }],
  [
    ["SQLITE_NOTADB", "SQLITE_CORRUPT", "SQLITE_FORMAT"],
    {
      status: 503,
      lasting: true,
      detail: "The database file is damaged, or is no database. Put a copy in its place, or move it away to start with an empty shelf.",
    },
  ],
  [
    ["URL_INVALID", "URL_SCHEME_NOT_SUPPORTED", "URL_PARAM_NOT_SUPPORTED", "ERR_INVALID_URL"],
    {
      status: 503,
      lasting: true,
      detail: "DATABASE_URL is no address of a libSQL database. It starts with file:, libsql:, https: or http:, ws: or wss:.",
    },
  ],
  [
    ["SQLITE_CANTOPEN", "SQLITE_PERM", "SQLITE_AUTH", "EACCES", "EPERM", "ENOTDIR", "ENOENT", "EEXIST", "EISDIR", "ConnectionFailed"],
    {
      status: 503,
      lasting: false,
      detail: `The database cannot be opened: its file or folder is not there, or not Vextal's to use. ${kept}`,
    },
  ],
  [["SQLITE_IOERR"], { status: 503, lasting: false, detail: `The disk that holds the database gave an error. ${kept}` }],
  [
    [
      "ECONNREFUSED",
      "ECONNRESET",
      "ENOTFOUND",
      "EAI_AGAIN",
      "ETIMEDOUT",
      "UND_ERR",
      "HRANA",
      "SERVER_ERROR",
      "CLIENT_CLOSED",
      "fetch failed",
    ],
    { status: 503, lasting: false, detail: `The database does not answer. ${kept}` },
  ],
];

/** What is wrong with the database, where an error comes from there: the error itself, or one that it was caused by. */
export function databaseFault(error: unknown): DatabaseFault | undefined {
  for (let e = error as Cause | undefined; typeof e === "object" && e !== null; e = e.cause ?? e.errors?.[0]) {
    const { code, message } = e;
    const says = (c: string) => (typeof code === "string" && code.startsWith(c)) || (typeof message === "string" && message.startsWith(c));
    for (const [codes, fault] of faults) if (codes.some(says)) return fault;
  }
  return undefined;
}

/** An error, of whichever library, and what it came of. */
interface Cause {
  readonly code?: unknown;
  readonly message?: unknown;
  readonly cause?: Cause;
  readonly errors?: readonly Cause[];
}
