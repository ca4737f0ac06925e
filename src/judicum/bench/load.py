"""The users of `./judicum bench-load`: each page alone, then fifty people at once, against a running service.

    python -m judicum.bench.load fill
    python -m judicum.bench.load measure PORT

Run by `judicum.launch.bench` with the address of a throwaway database. Times are what the caller sees, proxy included.
"""

import http.client
import json
import random
import statistics
import sys
import threading
import time
from collections import defaultdict
from collections.abc import Callable, Iterator, Mapping
from contextlib import contextmanager
from dataclasses import dataclass, field

import django

ALONE = 100
"""Calls of each page by one person…"""
ANEW = 30
"""…and of those that are read anew, whatever is kept."""
PEOPLE = 50
SECONDS = 60
EVERY_S = 1.0
PHOTO_EVERY_S = 120.0
"""Each of the forty students sends a photo about this often: twenty a minute in all."""
MAX_ALONE_MS = 50
"""What is promised of the slowest twentieth of each page of an ordinary course alone."""
MAX_TOGETHER_MS = 300
"""And of all pages with fifty people."""
PIECE = 512 * 1024


@dataclass
class Caller:
    """Somebody who is signed in, with a connection that is kept."""

    port: int
    session: str
    course: int
    person: int
    teaches: bool
    students: list[int]
    attempts: list[int]
    open_attempt: int | None = None
    connection: http.client.HTTPConnection | None = None
    times: dict[str, list[float]] = field(default_factory=lambda: defaultdict(list))
    failures: list[str] = field(default_factory=list)

    def call(
        self, name: str, method: str, path: str, body: bytes | None = None, **headers: str
    ) -> http.client.HTTPMessage:
        """One call, timed under `name`; anything but an answer in the two hundreds is a failure."""
        if self.connection is None:
            self.connection = http.client.HTTPConnection("127.0.0.1", self.port, timeout=60)
        own = {"Cookie": f"judicum_session_0={self.session}; judicum_csrf={CSRF}", "X-CSRFToken": CSRF, "Accept-Encoding": "gzip"}  # fmt: skip
        begun = time.perf_counter()
        try:
            self.connection.request(method, path, body, {**own, **headers})
            answer = self.connection.getresponse()
            answer.read()
        except OSError as error:
            self.failures.append(f"{name}: {error!r}")
            self.connection = None
            return http.client.HTTPMessage()
        self.times[name].append(1000 * (time.perf_counter() - begun))
        if not 200 <= answer.status < 300:
            self.failures.append(f"{name}: {answer.status}")
        return answer.headers

    def page(self, name: str, rng: random.Random, anew: bool = False) -> None:
        """One of the pages by its name; `anew` so that no answer is kept for it."""
        course = f"/api/courses/{self.course}"
        student = rng.choice(self.students) if self.teaches else self.person
        path = {
            "list": f"{course}/attempts",
            "waiting": f"{course}/attempts?state=measured&state=photographed&state=marked&oldest_first=true",
            "student's list": f"{course}/attempts?student={student}&page_size=100",
            "desk": f"{course}/desk",
            "wall": f"{course}/wall",
            "progress": f"{course}/students/{student}/progress",
            "attempt": f"/api/attempts/{rng.choice(self.attempts)}",
            "next": f"{course}/next",
            "standings": f"{course}/standings",
            "week": f"{course}/week",
            "agreement": f"{course}/agreement",
        }[name]
        sign = "&" if "?" in path else "?"
        self.call(name, "GET", f"{path}{sign}anew={rng.random()}" if anew else path)

    def send_photo(self, jpeg: bytes) -> None:
        """A photo for one's own open attempt, in pieces as a phone sends it."""
        if self.open_attempt is None:
            return
        headers = self.call("photo: begin", "POST", f"/api/attempts/{self.open_attempt}/uploads", None, **{"Upload-Length": str(len(jpeg))})  # fmt: skip
        where = headers.get("Location")
        for offset in range(0, len(jpeg), PIECE) if where else ():
            piece = jpeg[offset : offset + PIECE]
            name = "photo: last piece" if offset + PIECE >= len(jpeg) else "photo: piece"
            piece_headers = {"Upload-Offset": str(offset), "Content-Type": "application/offset+octet-stream"}
            self.call(name, "PATCH", str(where), piece, **piece_headers)


CSRF = "x" * 32
CLASS_PAGE = ("wall", "standings", "week")
"""What the class page asks for at once."""
MAX_CLASS_MS = 300
"""Promised of the whole class page of thirty people with sixty attempts each."""
OF_STAFF = (
    "list",
    "waiting",
    "student's list",
    "desk",
    "wall",
    "progress",
    "attempt",
    "next",
    *CLASS_PAGE[1:],
    "agreement",
)
OF_STUDENTS = ("list", "progress", "attempt")
DESK_PAGES = ("list", "desk", "wall", "progress")


def callers(port: int, count: int, seed: int = 1) -> list[Caller]:
    """People of the large course first: its teacher, then students; a fifth of all teach some course."""
    from judicum.bench.course import session_of
    from judicum.server.people.courses.models import Membership
    from judicum.server.record.attempts.models import Attempt

    rng = random.Random(seed)
    made = []
    staff = list(Membership.objects.filter(role="instructor").select_related("user").order_by("course_id"))
    for k in range(count):
        teacher = staff[(k // 5) % len(staff)]
        students = list(Membership.objects.filter(course_id=teacher.course_id, role="student").values_list("user_id", flat=True))  # fmt: skip
        member = teacher
        if k % 5:
            member = Membership.objects.select_related("user").get(
                course_id=teacher.course_id, user_id=students[(k * 7) % len(students)]
            )
        seen = Attempt.objects.filter(course_id=member.course_id)
        if k % 5:
            seen = seen.filter(student_id=member.user_id)
        attempts = list(seen.order_by("-updated_at").values_list("pk", flat=True)[:500])
        logged = seen.filter(state="logged", student_id=member.user_id).values_list("pk", flat=True).first()
        made.append(
            Caller(
                port,
                session_of(member.user),
                member.course_id,
                member.user_id,
                not k % 5,
                students,
                rng.sample(attempts, min(60, len(attempts))),
                logged,
            )
        )
    return made


def lookups() -> list[float]:
    """Times of bare lookups by the primary key, for comparison, ms."""
    from django.db import connection

    took = []
    with connection.cursor() as cursor:
        for k in range(1000):
            begun = time.perf_counter()
            cursor.execute("SELECT * FROM attempts_attempt WHERE id = %s", [1 + 199 * k])
            cursor.fetchall()
            took.append(1000 * (time.perf_counter() - begun))
    return took


@contextmanager
def sampled(pids: Callable[[], list[int]]) -> Iterator[list[float]]:
    """Megabytes that the service's processes hold together, every half second."""
    import psutil

    seen: list[float] = []
    stop = threading.Event()

    def watch() -> None:
        while not stop.wait(0.5):
            total = 0
            for pid in pids():
                try:
                    total += psutil.Process(pid).memory_info().rss
                except psutil.Error:
                    continue
            seen.append(total / 2**20)

    watcher = threading.Thread(target=watch)
    watcher.start()
    try:
        yield seen
    finally:
        stop.set()
        watcher.join()


def together(people: list[Caller], jpeg: bytes) -> None:
    """All at once: a call every second each, a photo now and then."""
    end = time.monotonic() + SECONDS

    def use(one: Caller, rng: random.Random) -> None:
        time.sleep(rng.random() * EVERY_S)
        while time.monotonic() < end:
            begun = time.monotonic()
            if rng.random() < EVERY_S / PHOTO_EVERY_S:
                one.send_photo(jpeg)
            else:
                one.page(rng.choice(OF_STAFF[:-3] if one.teaches else OF_STUDENTS), rng)
            time.sleep(max(0.0, EVERY_S - (time.monotonic() - begun)))

    threads = [threading.Thread(target=use, args=(one, random.Random(k))) for k, one in enumerate(people)]
    for thread in threads:
        thread.start()
    for thread in threads:
        thread.join()


PARTS = ("web", "database", "proxy")
"""Whose time of the processor a call costs, beside the caller's own."""


def spent(pids: list[int]) -> dict[str, float]:
    """Seconds of the processor that each part has used since it began, processes that have ended since included."""
    import psutil
    from django.db import connection

    with connection.cursor() as cursor:
        cursor.execute(
            "SELECT pid FROM pg_stat_activity WHERE backend_type = 'client backend' AND pid <> pg_backend_pid()"
        )
        backends = [pid for (pid,) in cursor.fetchall()]
    if backends:
        # PostgreSQL's first process has the times of all backends that have ended.
        backends.append(psutil.Process(backends[0]).ppid())
    total = dict.fromkeys(PARTS, 0.0)
    for part, pid in [*(("database", pid) for pid in backends), *(("", pid) for pid in pids)]:
        try:
            process = psutil.Process(pid)
            part = part or ("proxy" if process.name() == "nginx" else "web" if "gunicorn" in " ".join(process.cmdline()) else "")  # fmt: skip
            if part:
                times = process.cpu_times()
                total[part] += times.user + times.system + times.children_user + times.children_system
        except psutil.Error:
            continue
    return total


def row(name: str, times: list[float], cost: Mapping[str, float] | None = None) -> str:
    ordered = sorted(times)
    at = ordered[min(len(ordered) - 1, int(0.95 * len(ordered)))]
    parts = "".join(f"{cost[part]:>10.1f}" for part in PARTS) if cost else ""
    return f"{name:<22}{len(times):>7}{statistics.median(times):>10.1f}{at:>10.1f}{max(times):>10.1f}{parts}"


def measure(port: int, pids: list[int]) -> int:
    """Print all figures; 1 where one of those that are promised is not kept."""
    import psutil

    from judicum.bench.course import drawn

    def family() -> list[int]:
        found = []
        for pid in pids:
            try:
                found += [pid, *(child.pid for child in psutil.Process(pid).children(recursive=True))]
            except psutil.Error:
                continue
        return found

    print(f"{'ms':<22}{'calls':>7}{'median':>10}{'p95':>10}{'worst':>10}" + "".join(f"{part:>10}" for part in PARTS))
    print(row("a bare index lookup", lookups()))
    slow: list[str] = []
    failures = []
    for name, teacher in zip(("a hundred people, a thousand attempts each", "thirty people, sixty attempts each", "25 people, a hundred attempts each"), callers(port, 15)[::5], strict=True):  # fmt: skip
        rng = random.Random(5)
        # Nobody has a class of a hundred with a thousand marks each: how everybody stands is asked where it can be.
        pages = [page for page in OF_STAFF if not (name.startswith("a hundred") and page in ("standings", "agreement"))]
        for page in pages:
            for _ in range(5):
                teacher.page(page, rng, anew=True)
        for anew, calls in ((True, ANEW), (False, ALONE)):
            kind = "read anew" if anew else "kept where nothing has changed"
            print(f"one person, a course of {name}, {kind}; what a call costs of the processor:")
            teacher.times.clear()
            for page in pages:
                before = spent(family())
                for _ in range(calls):
                    teacher.page(page, rng, anew)
                cost = {part: 1000 * (now - before[part]) / calls for part, now in spent(family()).items()}
                print(row(page, teacher.times[page], cost), flush=True)
        ordinary = [page for page in DESK_PAGES if sorted(teacher.times[page])[int(0.95 * ALONE)] >= MAX_ALONE_MS]
        if "standings" in pages:
            whole = sum(sorted(teacher.times[page])[int(0.95 * ALONE)] for page in CLASS_PAGE)
            print(f"the class page, its three calls one after another, p95: {whole:.0f} ms")
            if name.startswith("thirty") and whole >= MAX_CLASS_MS:
                slow.append("class page")
        failures += teacher.failures
    slow += ordinary

    people = callers(port, PEOPLE)
    jpeg = drawn()

    before = spent(family())
    with sampled(family) as memory:
        together(people, jpeg)
    used = {part: now - before[part] for part, now in spent(family()).items()}
    print(f"{PEOPLE} people for {SECONDS} s, a call every second each, a photo every {PHOTO_EVERY_S / 60:.0f} minutes:")
    every: dict[str, list[float]] = defaultdict(list)
    for one in people:
        for name, times in one.times.items():
            every[name] += times
    for name, times in every.items():
        print(row(name, times))
    together_ms = [t for name, times in every.items() if not name.startswith("photo") for t in times]
    print(row("all pages", together_ms))
    failures += [failure for one in people for failure in one.failures]
    print(f"{sum(map(len, every.values())) / SECONDS:.1f} calls a second, {len(failures)} failures {failures[:3]}")
    print("a call costs, in the middle of all: " + ", ".join(f"{part} {1000 * used[part] / sum(map(len, every.values())):.1f} ms" for part in PARTS))  # fmt: skip
    print(f"memory of web server and workers: at most {max(memory):.0f} MB")
    busy = sorted(together_ms)[int(0.95 * len(together_ms))] >= MAX_TOGETHER_MS
    return 1 if slow or busy or failures else 0


def main() -> None:
    django.setup()
    if sys.argv[1] == "fill":
        from judicum.bench.load_data import fill

        print(json.dumps(fill()))
        return
    sys.exit(measure(int(sys.argv[2]), [int(pid) for pid in sys.argv[3:]]))


if __name__ == "__main__":
    main()
