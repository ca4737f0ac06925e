command-add_workshop = One more workshop, with its owner and a first course.
command-address = of this server, as they reach it
command-backed-up = { $file }: the database and { $files ->
    [one] 1 file
   *[other] { $files } files
}, { $megabytes } MB.
command-backup = Write everything into one file.
command-backup-key =
    Backups from now on are sealed to { $recipient }.
    Write this key down and keep it away from the server. It is told only now, and without it nobody can read a backup:
    { $key }
command-backup-key-before = Backups that were made before still need the key from before: keep both.
command-backup_key = Make the key that opens backups from now on; it is told once.
command-bring_up = Bring the tables to this version, with a backup first; or back where anything fails.
command-brought-up = The tables are those of version { $version }.
command-check_data = What is wrong with rows and files; ends with 1 where anything is.
command-course-number = the number of the course, as ./judicum courses lists it
command-data-sound = Every file is there and as it was stored, and every row points to one that is there.
command-doctor = Whether everything that a server needs is well, and what to do.
command-export_course = Write a course's archive.
command-export_labels = Write labelled pictures of those who agreed, to teach from.
command-export_workshop = Write a whole workshop's archive.
command-exported = { $course } is in { $file } ({ $megabytes } MB).
command-files-missing = { $files ->
    [one] 1 file that rows name was missing.
   *[other] { $files } files that rows name were missing.
}
command-first_workshop = The first workshop of an empty installation, with its owner and a course; nothing where there is one.
command-found = { $count ->
    [one] 1 problem
   *[other] { $count } problems
}
command-import_course = Bring a course's archive into the workshop of that name, or into the only one.
command-imported = { $course } is course { $number }.
command-imported-aside =
    { $count ->
        [one] One line of the archive holds what this version does not know.
       *[other] { $count } lines of the archive hold what this version does not know.
    } It is kept in { $file }.
command-imported-before = { $course } is here already, as course { $number }.
command-key-file = file that holds the key, where the backup is sealed
command-list_courses = Every course with its number.
command-login = their login name
command-owner = login name of its owner
command-recover_account = A one-time address at which somebody sets a new password; their second factor is gone.
command-recovered =
    { $login } sets a new password, once and within a day, at
    { $address }
command-restore = Put a backup into an empty database and store.
command-restored = Restored: the database and { $files ->
    [one] 1 file
   *[other] { $files } files
} of { $at }.
command-save_night = The backup of the night: made, tried, thinned out, copied off the site.
command-sign-in = Sign in with your own name.
command-weights_folder = Where the weights lie that measure this workshop's photos, if it has some of its own.
command-which-workshop = which workshop, where there are several
command-workshop-imported = The workshop { $workshop } is here, with its people. Each sets a password by a link: ./judicum recover LOGIN, or an owner hands it out.
command-workshop-made =
    Owner of { $workshop }: name { $login }, password { $password } (shown only now)
    Students join with the code { $join_code }.
command-workshop-name = what it is called
first-course = My first course
first-workshop = My workshop
inconsistency-altered = altered file
inconsistency-disagreement = disagreement
inconsistency-missing = missing file
inconsistency-no-log = attempt { $key }: its log is empty
inconsistency-no-scheme = assignment { $key }: there is no scheme { $scheme }
inconsistency-orphaned = orphaned file
inconsistency-other-course = attempt { $key }: its coupon was assigned in another course
inconsistency-picture = picture { $key }: its file is { $file }
inconsistency-reference = broken reference
