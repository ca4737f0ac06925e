assign-any = any
assign-assign = Assign “{ $title }”
assign-assign-2 = Assign
assign-assign-coupon = Assign coupon
assign-assigned =
    { $title } is assigned to { $count ->
        [one] one student
       *[other] { $count } students
    }, due { $due }.
assign-assigned-coupons = Assigned coupons
assign-assigning = Assigning …
assign-bead-width = bead width { $target_width_mm }
assign-by-no-one-yet = by no one yet
assign-by-someone = by someone
assign-common-faults = Common faults: { $usual_faults }.
assign-demonstrate = Demonstration
assign-due = { field-due_on }
assign-edit = Edit { $title }
assign-edit-2 = Edit
assign-finish = Finish
assign-finish-goal = { field-finish }
assign-for-the-wall = For the wall
assign-job-sheet-of = job sheet<span> of { $title }</span>
assign-marking-scheme = { field-scheme }
assign-no-coupon-fits-choose-fewer-filters = No coupon fits. Choose fewer filters.
assign-no-coupons-assigned-yet-select-a = No coupons assigned yet. Select a coupon above.
assign-passed = { field-passed }
assign-passed-by = { $students ->
    [one] 1 student has passed
   *[other] { $students } students have passed
}
assign-passes-in-a-row = { field-good_in_a_row }
assign-select-a-coupon-to-assign-it = Select a coupon to assign it to the class or to some students.
assign-some-students = Some students
assign-target-bead-width = Target bead width
assign-this-course-version = this course, version { $version }
assign-whole-class = Whole class
