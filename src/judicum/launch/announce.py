"""Says to the local network (multicast DNS, RFC 6762 and 6763) which machine `judicum.local` is; runs inside the installed program.

python -m judicum.launch.announce PORT PLAIN|TLS [ADDRESS…]    until it is ended; without addresses those of the machine, followed as
                                                             they change

Where another machine of the network has the name already, this one is `judicum-2.local`, and so on; the first line says which.
`JUDICUM_NAME` is another name than judicum.
"""

import os
import socket
import sys
import time
from collections.abc import Sequence

from zeroconf import AddressResolver, InterfaceChoice, NonUniqueNameException, ServiceInfo, Zeroconf  # type: ignore[attr-defined]

from judicum.launch.addresses import own_addresses

NAME = os.environ.get("JUDICUM_NAME", "judicum")
LOOK_MS = 1500
"""ms to wait for another machine that has the name."""
FOLLOW_S = 10.0
"""s between two looks at the machine's addresses."""
MAX_MACHINES = 9
"""Machines of one network that may have the name with a number."""


def free_name(zeroconf: Zeroconf, own: Sequence[str]) -> str:
    """The first of judicum.local, judicum-2.local, … that no machine with other addresses answers to."""
    for k in range(1, MAX_MACHINES + 1):
        name = f"{NAME}.local." if k == 1 else f"{NAME}-{k}.local."
        other = AddressResolver(name)
        if not other.request(zeroconf, LOOK_MS) or set(other.parsed_addresses()) & set(own):
            return name
    return f"{NAME}-{MAX_MACHINES + 1}.local."


def service_info(name: str, port: int, tls: bool, addresses: Sequence[str]) -> ServiceInfo:
    """What is announced: the name's addresses, and that a web server is there."""
    kind = "_https._tcp.local." if tls else "_http._tcp.local."
    bare = name.removesuffix(".local.")
    return ServiceInfo(
        kind, f"{bare}.{kind}", port=port, server=name, addresses=[socket.inet_aton(one) for one in addresses]
    )


def main() -> None:
    """Announce until ended."""
    port, tls, given = int(sys.argv[1]), sys.argv[2] == "TLS", sys.argv[3:]
    addresses = given or own_addresses()
    # An address that comes later needs a socket on its network: then all begins anew.
    while True:
        with Zeroconf(interfaces=given or InterfaceChoice.All) as zeroconf:
            name = free_name(zeroconf, addresses)
            service = service_info(name, port, tls, addresses)
            try:
                zeroconf.register_service(service, allow_name_change=True)
            except NonUniqueNameException:
                continue
            print(name.rstrip("."), flush=True)
            while (now := given or own_addresses()) == addresses:
                time.sleep(FOLLOW_S)
            addresses = now


if __name__ == "__main__":
    main()
