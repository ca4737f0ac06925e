builder-assign-give = assign?give={ $id }
builder-by-metal-and-form = by metal and form
builder-course-default = course default
builder-edit = Edit “{ $title }”
builder-equipment-on-hand = Equipment on hand
builder-gauge = { $g } gauge
builder-no-changes-yet-edit-a-field = No changes yet. Edit a field.
builder-not-purged = no
builder-or-gauge = or gauge
builder-pulse = Pulse
builder-purged = yes
builder-save-and-assign = Save and assign
builder-saves-as-version-coupons-already-assigned = Saves as version { $version }. Coupons already assigned keep theirs.
builder-saves-to-this-courses-library = Saves to this course's library.
builder-setup-card-live = Setup card, live
builder-usual = usual
builder-what-changed = What changed
