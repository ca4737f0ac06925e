corrections-fronts = Of { $fronts } ripple fronts found, { $removed } were removed by hand, and { $added } were added.
corrections-none = No marked bead yet: corrections say something once beads are marked.
corrections-of = { $count ->
        [one] Over 1 marked bead: what was left alone counts as right.
       *[other] Over { $count } marked beads: what was left alone counts as right.
    }
corrections-rule = A limit is offered from { $found } found faults of a kind on, where at least { $below } lie below it and { $share }% of those were removed by hand. It holds for photos measured from then on; what it keeps back is kept, and still counts here.
corrections-toes = { $count ->
        [one] On 1 bead the toes were moved: its mean width changed by { $by }.
       *[other] On { $count } beads the toes were moved: their mean width changed by { $by } on average.
    }
held-by-all = all
held-by-engine = engine
held-by-finish = finish
held-by-joint = joint
held-by-metal = metal
held-by-phone = phone
measuring-bias = Over { $count ->
    [one] one bead
   *[other] { $count } beads
 }, measured widths differ from callipered ones by { $bias } on average (95%: { $low } to { $high }).
measuring-drifts = Measuring drifts: the last beads differ from the first by more than chance. Check phones, light and printed cards.
measuring-grown = What is claimed is too little here: each stated uncertainty is multiplied by { $factor }, until evidence says otherwise.
measuring-held = Of what was claimed with ± two uncertainties, { $share }% held.
measuring-limits = A single bead differs by { $lower } to { $upper }.
measuring-too-few = Fewer than two beads have callipered widths: nothing can be told yet.
phone-say-again = Take it again: widths differ from bead to bead.
phone-say-check_print = Check the line of 100 mm with a ruler: all widths are off by the same.
phone-say-closer = Go closer, until the card fills the picture.
phone-say-fine = This phone measures well as you hold it.
phone-say-higher = Stand 10 cm higher: the lens bends the edges.
phone-say-less_light = Turn the lamp away: the picture is too bright.
phone-say-sharper = Hold still, tap to focus, and wipe the lens.
phone-say-straight_above = Hold it straight above.
phone-say-turn_lamp = Turn the lamp: one side is much brighter.
phone-say-whiter_light = Use whiter light: little blue is left to tell straw from silver.
phone-say-whole_card = Show the whole sheet with all its markers.
phone-true-to = Widths by this phone are true to ± { $width }. A printed sheet says nothing of glare and tint.
study-consistency = { $name }: two photos of one bead agree in { $share }% of pairs.
study-beads-title = The beads
study-no-faults = no faults
study-photo = Bead { $bead }: { $width } wide, { $faults }.
study-tells-badly = { $name }: measuring differs by { $measuring } and tells { $classes } classes of these beads apart. Take beads that differ more, or hold the phone as the check of phones says.
study-tells-nothing = { $name }: measuring differs by { $measuring } and cannot tell these beads apart. Take beads that differ more, or hold the phone as the check of phones says.
study-tells-well = { $name }: measuring differs by { $measuring } and tells { $classes } classes of these beads apart. That is enough.
study-tint = Tint of the bead
tint-strip-alike = { $count ->
        [one] 1 place named, { $same } of it read as named.
       *[other] { $count } places named, { $same } of them read as named.
    }
tint-strip-far = The middle colour lies { $away } from the scale's ({ $half } is half a level): read tints here with care, and look at lamp and white balance.
tint-strip-near = The middle colour lies { $away } from the scale's: this metal in this light is as the scale has it.
tint-strip-otherwise = Named { $named }, read as { $read }.
