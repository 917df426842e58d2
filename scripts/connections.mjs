/**
 * Keeps the number of a server's connections bounded, over all and for each address. When there is no room the connection that has done least
 * for longest is destroyed: first one that waits for a request, then one whose request is still on its way, then one that is being answered.
 * So whoever opens connections and says nothing makes room for those who ask.
 */

/** At most this many connections at once. */
const MOST_CONNECTIONS = 1024;
/** At most this many of them from one address. A browser opens six. */
const MOST_PER_ADDRESS = 512;

/** How much a connection has to lose: it waits for a request, a request is on its way, it is being answered. */
const WAITS = 0;
const SENDS = 1;
const ANSWERED = 2;

/** Bounds the connections of a server of node:http. */
export function limitConnections(server, { most = MOST_CONNECTIONS, mostPerAddress = MOST_PER_ADDRESS } = {}) {
  /** The open connections, the longest unchanged first, each with its address and the request it carries. */
  const open = new Map();
  const counts = new Map();
  const stateOf = ({ request }) => (request === null ? WAITS : request.complete ? ANSWERED : SENDS);
  const change = (socket, request) => {
    const before = open.get(socket);
    if (!before) return;
    // Put back at the end: it has just done something.
    open.delete(socket);
    open.set(socket, { ...before, request });
  };
  const makeRoom = (isMeant) => {
    let least = null;
    for (const [socket, one] of open) if (isMeant(one) && (least === null || stateOf(one) < stateOf(least.one))) least = { socket, one };
    least?.socket.destroy();
    if (least) forget(least.socket);
  };
  const forget = (socket) => {
    const one = open.get(socket);
    if (!one) return;
    open.delete(socket);
    const left = counts.get(one.address) - 1;
    if (left > 0) counts.set(one.address, left);
    else counts.delete(one.address);
  };
  server.on("connection", (socket) => {
    const address = socket.remoteAddress ?? "";
    if ((counts.get(address) ?? 0) >= mostPerAddress) makeRoom((one) => one.address === address);
    else if (open.size >= most) makeRoom(() => true);
    open.set(socket, { address, request: null });
    counts.set(address, (counts.get(address) ?? 0) + 1);
    socket.once("close", () => forget(socket));
  });
  server.on("request", (request, response) => {
    change(request.socket, request);
    response.once("close", () => change(request.socket, null));
  });
  // What is no request, or takes too long to become one, is answered in a line and closed at once: half-closed it would go on counting.
  server.on("clientError", (error, socket) => {
    if (!socket.writable) return socket.destroy();
    const status = STATUS[error.code] ?? "400 Bad Request";
    socket.end(`HTTP/1.1 ${status}\r\nConnection: close\r\nContent-Length: 0\r\n\r\n`, () => socket.destroy());
  });
}

const STATUS = { ERR_HTTP_REQUEST_TIMEOUT: "408 Request Timeout", HPE_HEADER_OVERFLOW: "431 Request Header Fields Too Large" };
