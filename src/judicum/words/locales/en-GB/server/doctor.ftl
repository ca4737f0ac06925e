doctor-address = Phones' address
doctor-address-alone = { $address } answers on this machine only
doctor-address-alone-do = Start with --https (or --host 0.0.0.0), so that phones reach it.
doctor-address-open = { $address } answers
doctor-address-silent = { $address } does not answer
doctor-address-silent-do = Is it running? Does the address belong to this machine? JUDICUM_ADDRESS says another one.
doctor-backup = Backup
doctor-backup-differs = { $at }, but a restore gave other rows: { $why }
doctor-backup-differs-do = { doctor-backup-untried-do }
doctor-backup-none = none yet: the first is made at night
doctor-backup-none-do = Run ./judicum backup if you do not want to wait.
doctor-backup-off = turned off
doctor-backup-off-do = Set JUDICUM_BACKUPS_KEPT to 7.
doctor-backup-old = the last one is of { $at }
doctor-backup-old-do = Leave the server on at night, or run ./judicum backup by hand.
doctor-backup-tried = { $at }, { $megabytes } MB; a restore was tried and took { $seconds } s
doctor-backup-untried = { $at }, but it could not be restored: { $why }
doctor-backup-untried-do = Make one by hand (./judicum backup), restore it into another checkout, and ask for help with what it says.
doctor-broken = could not be looked at: { $why }
doctor-certificate = Certificate
doctor-certificate-ends = ends in { $days ->
    [one] 1 day
   *[other] { $days } days
}
doctor-certificate-ends-do = It should have renewed itself. Start Judicum again; your own files you renew yourself.
doctor-certificate-lasts = lasts { $days ->
    [one] 1 more day
   *[other] { $days } more days
}
doctor-certificate-none = without HTTPS
doctor-certificate-none-do = Start with --https: only then can phones use their microphone, and pages without a connection.
doctor-clock = Clock
doctor-clock-apart = { $minutes } min apart from that of the database
doctor-clock-apart-do = Let both machines take the time from the network (timedatectl set-ntp true).
doctor-clock-behind = { $minutes } min behind what was written already
doctor-clock-behind-do = Set the clock, and let it be set by the network (timedatectl set-ntp true).
doctor-clock-right = { $time } UTC
doctor-database = Database
doctor-database-behind = { $missing ->
    [one] 1 change of the tables is missing
   *[other] { $missing } changes of the tables are missing
}
doctor-database-behind-do = Run ./judicum upgrade.
doctor-database-up = PostgreSQL { $version }, { $gigabytes } GB
doctor-disk = Disk
doctor-disk-little = only { $free } of { $all } GB free
doctor-disk-little-do = Make room on the disk, or let old photos go to their strips after some months (Workshop).
doctor-disk-room = { $free } of { $all } GB free
doctor-gauges = Gas gauges
doctor-gauges-answer = { $count ->
    [one] 1 answers
   *[other] all { $count } answer
}
doctor-gauges-none = none is wired up
doctor-gauges-silent = no answer from { $names }
doctor-gauges-silent-do = Check its power and its address in JUDICUM_GAUGES.
doctor-mail = Mail
doctor-mail-answers = { $server } answers
doctor-mail-none = no mail server: messages are written to var/mail
doctor-mail-none-do = Set JUDICUM_MAIL_URL to send them.
doctor-mail-silent = the mail server does not answer: { $why }
doctor-mail-silent-do = Check JUDICUM_MAIL_URL, name and password.
doctor-memory = Memory
doctor-memory-little = only { $free } of { $all } GB free
doctor-memory-little-do = End other programs on this machine, or give it more memory: measuring takes 0.4 GB a photo.
doctor-memory-room = { $free } of { $all } GB free
doctor-offsite = Copy off the site
doctor-offsite-copied = { $at }
doctor-offsite-failed = failed: { $why }
doctor-offsite-failed-do = Check address, name and password of the other store.
doctor-offsite-none = none
doctor-offsite-none-do = Set JUDICUM_OFFSITE_BUCKET and its fellows (docs/running.md), so that fire and theft leave you a backup. Make a key first: ./judicum backup-key.
doctor-offsite-waits = the first is made at night
doctor-store = Photo store
doctor-store-alters = a file came back other than it was written
doctor-store-alters-do = The disk or the bucket is damaged. Stop, and restore the last backup elsewhere.
doctor-store-writes = a file was written and read again
doctor-version = Version
doctor-version-other = { $own }, but the tables belong to { $other }
doctor-version-other-do = Start version { $other } here too, or run ./judicum upgrade with this one.
doctor-version-own = { $own }
doctor-workers = Measuring
doctor-workers-behind = the oldest photo has waited for { $minutes } min
doctor-workers-behind-do = Wait until the queue is done, or start one more worker.
doctor-workers-none = no worker is there: photos wait
doctor-workers-none-do = Start Judicum again (./judicum stop, ./judicum start); on several machines start a worker.
doctor-workers-work = { $workers ->
    [one] 1 worker is there
   *[other] { $workers } workers are there
}
