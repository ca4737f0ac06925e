people-archive-course = Archive course
people-archive-this-course = Archive this course
people-archiving-keeps-the-course-for-reading = Archiving keeps the course for reading and reports. Nobody can join and nothing can be changed.
people-close-joining = Close joining
people-course-name = Course name
people-create-new-code = Create new code
people-import-or-export-people = Import or export people
people-is-archived = { $name } is archived.
people-join-code = { field-join_code }
people-like-copies-its-coupons-schemes-methods = Like { $here }: copies its coupons, schemes, methods, due dates and booths, but not its people
people-move-to = Move to …
people-move-to-another-course = Move { $name } to another course
people-new-course = New course
people-open-to-anyone-with-the-code = open to anyone with the code
people-open-to-more = open to { $open ->
    [one] 1 more person
   *[other] { $open } more people
}
people-open-until-empty-no-end = Open until (empty: no end)
people-places-left-empty-no-limit = Places left (empty: no limit)
people-qr-code-of-the-join-address = QR code of the join address
people-remove-from-course = Remove { $name } from course
people-reopen-course = Reopen course
people-role-of = Role of { $name }
people-save-limits = Save limits
people-until = until { $date }
