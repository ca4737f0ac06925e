reports-all-photos-were-measured-with-the = All photos were measured with the current version, { $present }.
reports-all-students-one-file = all students, one file
reports-class-sheet = Class sheet
reports-create-report = Create report
reports-everybody = Everybody
reports-failed = failed
reports-from-empty-start-of-course = From (empty: start of course)
reports-job-sheets-are-in-the-coupon = Job sheets are in the coupon library, next to each assigned coupon.
reports-measure-all-again-with-version = Measure all again with version { $present }
reports-measured-again = Measured again
reports-measurement-version = Measurement version
reports-my-report = My report
reports-no-reports-yet-reports-are-kept = No reports yet. Reports are kept for a week.
reports-of-measured-again = { $done } of { $total } measured again
reports-open = Open
reports-paper = { field-paper }
reports-pdf = PDF, { $paper }
reports-photos-were-measured-with-a-version = { $outdated ->
    [one] 1 photo was measured with a version before { $present }.
   *[other] { $outdated } photos were measured with a version before { $present }.
}
reports-preparing = preparing …
reports-ready = ready
reports-recent-reports = Recent reports
reports-sequence-marks-first-and-last-strips = Sequence, { -marks }, first and last strips to scale, measurements with their bands, what to work on, lines to sign. Not a certificate.
reports-stop-measuring = Stop measuring
reports-student-report = Student report
reports-students-drawn = Students drawn
reports-until-empty-today = Until (empty: today)
reports-waiting = waiting
reports-with-manual-corrections-stay-as-they = { $corrected ->
    [one] 1 photo with manual corrections stays as it is.
   *[other] { $corrected } photos with manual corrections stay as they are.
}
