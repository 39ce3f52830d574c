"""Run in a network of its own (`unshare --net --mount`): a machine with one interface beside its
loopback, whose own name stands for 127.0.1.1 as on a stock Debian. Serves a record there, asks it
from the network's side, and prints what it was told as JSON."""

import json
import socket
import ssl
import subprocess
import sys
import tempfile
from pathlib import Path

import httpx2
from scripts.served import COMMAND

PATIENCE_S = 60  # other tests run beside this one
ADDRESS, PORT = "10.77.0.2", 8443
CARD = ("link set lo up", "link add v0 type veth peer name v1", f"addr add {ADDRESS}/24 dev v0",
        "link set v0 up", "link set v1 up")  # fmt: skip


def main(record: Path, name: str, password: str) -> None:
    for change in CARD:
        subprocess.run(["ip", *change.split()], check=True)
    with tempfile.NamedTemporaryFile("w", suffix=".hosts") as hosts:
        hosts.write(f"127.0.0.1 localhost\n127.0.1.1 {socket.gethostname()}\n")
        hosts.flush()
        subprocess.run(["mount", "--bind", hosts.name, "/etc/hosts"], check=True)
    server = subprocess.Popen(
        [COMMAND, "serve", "--db", record, "--host", "0.0.0.0", "--port", str(PORT)],
        stdout=subprocess.PIPE,
        text=True,
    )
    try:
        assert server.stdout is not None
        said = server.stdout.readline()
        trusted = ssl.create_default_context(
            cafile=record.parent / f"{record.stem}-tls/authority.pem"
        )
        with httpx2.Client(
            base_url=f"https://{ADDRESS}:{PORT}", verify=trusted, timeout=PATIENCE_S
        ) as teacher:
            hers = {"name": name, "password": password}
            signed = teacher.post("/api/session", json=hers)
            code = teacher.post("/api/write/lesson-code").json()
        plain = httpx2.get(f"http://{ADDRESS}:{PORT}/pad", timeout=PATIENCE_S)
    finally:
        server.terminate()
        server.communicate()
    told = {
        "said": said,
        "signed": signed.status_code,
        "url": code["url"],
        "reaches": code["reaches"],
        "plain": [plain.status_code, plain.headers.get("location")],
    }
    print(json.dumps(told))


if __name__ == "__main__":
    main(Path(sys.argv[1]), sys.argv[2], sys.argv[3])
