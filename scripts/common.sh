# Words and small helpers shared by the other scripts.

say() { printf '\033[1m»\033[0m %s\n' "$*"; }

# fail WHAT REMEDY: the two things somebody at a terminal needs to know.
fail() {
  printf '\nLevamen: %s\n  What to do: %s\n' "$1" "$2" >&2
  exit 1
}

# A port nobody listens on, on loopback. Prefers $1 where it is free.
free_port() {
  node -e '
    const net = require("net");
    const attempt = (port, next) => {
      const server = net.createServer();
      server.once("error", next).listen(port, "127.0.0.1", () => {
        const found = server.address().port;
        server.close(() => console.log(found));
      });
    };
    attempt(Number(process.argv[1] || 0), () => attempt(0, () => process.exit(1)));
  ' "${1:-0}"
}

port_is_free() { [ "$(free_port "$1")" = "$1" ]; }
