"""The addresses of this machine at which phones can reach it; runs inside the installed program.

python -m judicum.launch.addresses            one address a line
python -m judicum.launch.addresses qr ADDRESS  a code that a phone's camera reads
"""

import socket
import sys

import psutil
import segno


def own_addresses() -> list[str]:
    """IPv4 addresses of every network the machine is on, without loopback."""
    up = {name for name, stats in psutil.net_if_stats().items() if stats.isup}
    found = [
        address.address
        for name, addresses in sorted(psutil.net_if_addrs().items())
        for address in addresses
        if name in up and address.family == socket.AF_INET and not address.address.startswith("127.")
    ]
    return list(dict.fromkeys(found))


def main() -> None:
    if sys.argv[1:2] == ["qr"]:
        segno.make(sys.argv[2], error="m", micro=False).terminal(compact=True)
    else:
        print("\n".join(own_addresses()))


if __name__ == "__main__":
    main()
