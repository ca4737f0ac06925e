schools-experienced-welders-differ-on-these-setup = Experienced welders differ on these. Setup cards, checklists and sequences follow your choice.
schools-join-code = Join code: <strong>{ $join_code }</strong>.
schools-only-the-instructor-can-change-them = Only the instructor can change them.
