app-account-of = Account of { $name }
app-archived = { $name } (archived)
app-close-help = Close help
app-course = { field-course }
app-go-to-the-start-page = Go to the start page
app-help = Help
app-loading-demo-attempts-of-attempts = Loading demo attempts: { $done } of { $total }
app-mm = mm
app-mm-l-min = mm · L/min
app-nothing-found-try-another-word = Nothing found. Try another word.
app-open-all-help-pages = Open all help pages
app-outbox = Changes not sent yet
app-outbox-another = Start attempt { $number }
app-outbox-booth = Booth
app-outbox-delete = Delete change
app-outbox-hide = Hide changes
app-outbox-log = Log of run { $number }
app-outbox-made-size = made at { $at }, { $kb } kB
app-outbox-not-accepted = Not accepted: { $why } Open the attempt, show your instructor, or delete the change.
app-outbox-open-attempt = Open attempt
app-outbox-angle = Torch angle of run { $number }
app-outbox-photo = Photo: { $kind }
app-outbox-prepare = Prep checklist
app-outbox-really-delete = Delete for good
app-outbox-refused = { $count ->
        [one] 1 change was not accepted.
       *[other] { $count } changes were not accepted.
    }
app-outbox-send-now = Send now
app-outbox-show = Show changes
app-outbox-try-again = Try again
app-outbox-waiting = { $count ->
        [one] 1 change waits
       *[other] { $count } changes wait
    } on this phone since { $since }.
app-outbox-why-busy = The server is busy: sending resumes by itself.
app-outbox-why-offline = No connection: sending resumes by itself.
app-outbox-why-signed-out = You’re signed out: sign in again to send.
app-page-not-found = Page not found
app-progress-of-loading-the-demo-attempts = Progress of loading the demo attempts
app-search-help = Search help
app-sign-out = Sign out { $name }
app-skip-to-content = Skip to content
app-switch-course = Switch course
app-switch-to-day = Switch to day { -colours }
app-switch-to-night = Switch to night { -colours }
app-switch-units = Switch units
app-the-workshop = { $workshop }: the workshop
app-there-is-no-page-at-this = There is no page at this address. Check the link.
app-this-course-is-archived-you-can = This course is archived. You can read it and print reports, but nothing can be changed.
app-thou = thou
app-thou-cfh = thou · CFH
app-units-mm-and-l-min-switch = Units: mm and L/min. Switch to thousandths and CFH
app-units-thousandths-and-cfh-switch-to = Units: thousandths and CFH. Switch to mm and L/min
app-version = { common-judicum } { $version }
app-you-are-not-a-member-of = You are not a member of this course.
