"""How a phone comes to trust this server."""

from judicum.server.answers.base import Answer


class WorkshopAuthority(Answer):
    """The workshop's own certificate authority: its SHA-256 fingerprint in pairs of digits to compare, where its file
    is, where the server is once it is trusted; `secure` where whoever asks came by HTTPS already, and so trusts it."""

    fingerprint: str
    file: str
    address: str
    secure: bool
