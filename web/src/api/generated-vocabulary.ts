/** Made by `./judicum openapi` from the core's tables; never typed by hand. */
export const vocabulary = {
  "units": {
    "length": {
      "mm": {
        "label": "mm",
        "per_si": 1.0,
        "digits": 1,
        "joined": false
      },
      "thou": {
        "label": "thou",
        "per_si": 39.37007874015748,
        "digits": 0,
        "joined": false
      }
    },
    "flow": {
      "l_min": {
        "label": "L/min",
        "per_si": 1.0,
        "digits": 1,
        "joined": false
      },
      "cfh": {
        "label": "CFH",
        "per_si": 2.1188800032893154,
        "digits": 0,
        "joined": false
      }
    },
    "speed": {
      "mm": {
        "label": "mm/s",
        "per_si": 1.0,
        "digits": 1,
        "joined": false
      },
      "thou": {
        "label": "in/min",
        "per_si": 2.362204724409449,
        "digits": 1,
        "joined": false
      }
    },
    "current": {
      "any": {
        "label": "A",
        "per_si": 1.0,
        "digits": 0,
        "joined": false
      }
    },
    "time": {
      "any": {
        "label": "s",
        "per_si": 1.0,
        "digits": 1,
        "joined": false
      }
    },
    "angle": {
      "any": {
        "label": "°",
        "per_si": 1.0,
        "digits": 0,
        "joined": true
      }
    },
    "count": {
      "any": {
        "label": "",
        "per_si": 1.0,
        "digits": 0,
        "joined": false
      }
    },
    "share": {
      "any": {
        "label": "%",
        "per_si": 100.0,
        "digits": 0,
        "joined": false
      }
    },
    "rate": {
      "any": {
        "label": "/s",
        "per_si": 1.0,
        "digits": 1,
        "joined": true
      }
    },
    "mark": {
      "any": {
        "label": "",
        "per_si": 1.0,
        "digits": 1,
        "joined": false
      }
    },
    "plain": {
      "any": {
        "label": "",
        "per_si": 1.0,
        "digits": 1,
        "joined": false
      }
    }
  },
  "mmPerInch": 25.4,
  "quantities": {
    "current_a": {
      "words": "Welding current",
      "kind": "current",
      "unit": "A",
      "low": 1,
      "high": 1000,
      "step": 1.0,
      "whole": false
    },
    "machine_a": {
      "words": "Machine current",
      "kind": "current",
      "unit": "A",
      "low": 1,
      "high": 1000,
      "step": 1.0,
      "whole": false
    },
    "start_current_a": {
      "words": "Start current",
      "kind": "current",
      "unit": "A",
      "low": 1,
      "high": 1000,
      "step": 1.0,
      "whole": false
    },
    "peak_a": {
      "words": "Peak current",
      "kind": "current",
      "unit": "A",
      "low": 1,
      "high": 1000,
      "step": 1.0,
      "whole": false
    },
    "background_a": {
      "words": "Background current",
      "kind": "current",
      "unit": "A",
      "low": 0,
      "high": 1000,
      "step": 1.0,
      "whole": false
    },
    "on_share": {
      "words": "Peak time",
      "kind": "share",
      "unit": "",
      "low": 0.01,
      "high": 0.99,
      "step": 0.05,
      "whole": false
    },
    "per_second": {
      "words": "Pulse frequency",
      "kind": "rate",
      "unit": "1/s",
      "low": 0.1,
      "high": 5000,
      "step": 0.1,
      "whole": false
    },
    "cup": {
      "words": "Cup number",
      "kind": "count",
      "unit": "",
      "low": 3,
      "high": 24,
      "step": 1.0,
      "whole": false
    },
    "gas_l_min": {
      "words": "Gas flow",
      "kind": "flow",
      "unit": "L/min",
      "low": 1,
      "high": 60,
      "step": 0.5,
      "whole": false
    },
    "gas_cfh": {
      "words": "Gas flow",
      "kind": "plain",
      "unit": "CFH",
      "low": 2,
      "high": 127,
      "step": 1,
      "whole": false
    },
    "purge_l_min": {
      "words": "Purge flow",
      "kind": "flow",
      "unit": "L/min",
      "low": 0.2,
      "high": 60,
      "step": 0.5,
      "whole": false
    },
    "purge_wait_s": {
      "words": "Purge wait",
      "kind": "time",
      "unit": "s",
      "low": 0,
      "high": 7200,
      "step": 5,
      "whole": false
    },
    "stickout_mm": {
      "words": "Stick-out",
      "kind": "length",
      "unit": "mm",
      "low": 0,
      "high": 60,
      "step": 1.0,
      "whole": false
    },
    "arc_length_mm": {
      "words": "Arc length",
      "kind": "length",
      "unit": "mm",
      "low": 0,
      "high": 20,
      "step": 0.5,
      "whole": false
    },
    "electrode_mm": {
      "words": "Tungsten diameter",
      "kind": "length",
      "unit": "mm",
      "low": 0.5,
      "high": 6.4,
      "step": 0.4,
      "whole": false
    },
    "filler_mm": {
      "words": "Filler rod diameter",
      "kind": "length",
      "unit": "mm",
      "low": 0.5,
      "high": 6.4,
      "step": 0.2,
      "whole": false
    },
    "preflow_s": {
      "words": "Pre-flow",
      "kind": "time",
      "unit": "s",
      "low": 0,
      "high": 60,
      "step": 0.1,
      "whole": false
    },
    "downslope_s": {
      "words": "Down-slope",
      "kind": "time",
      "unit": "s",
      "low": 0,
      "high": 60,
      "step": 0.5,
      "whole": false
    },
    "postflow_s": {
      "words": "Post-flow",
      "kind": "time",
      "unit": "s",
      "low": 0,
      "high": 120,
      "step": 1.0,
      "whole": false
    },
    "work_angle_deg": {
      "words": "Work angle",
      "kind": "angle",
      "unit": "°",
      "low": 0,
      "high": 180,
      "step": 5,
      "whole": false
    },
    "travel_angle_deg": {
      "words": "Travel angle (push)",
      "kind": "angle",
      "unit": "°",
      "low": -45,
      "high": 90,
      "step": 5,
      "whole": false
    },
    "filler_angle_deg": {
      "words": "Filler angle",
      "kind": "angle",
      "unit": "°",
      "low": 0,
      "high": 90,
      "step": 5,
      "whole": false
    },
    "travel_mm_s": {
      "words": "Travel speed",
      "kind": "speed",
      "unit": "mm/s",
      "low": 0.05,
      "high": 50,
      "step": 0.1,
      "whole": false
    },
    "dab_pitch_mm": {
      "words": "Dab pitch",
      "kind": "length",
      "unit": "mm",
      "low": 0.2,
      "high": 20,
      "step": 0.1,
      "whole": false
    },
    "dabs_per_s": {
      "words": "Dabs per second",
      "kind": "rate",
      "unit": "1/s",
      "low": 0.05,
      "high": 10,
      "step": 0.1,
      "whole": false
    },
    "arc_s": {
      "words": "Arc time",
      "kind": "time",
      "unit": "s",
      "low": 0.1,
      "high": 3600,
      "step": 1.0,
      "whole": false
    },
    "dabs": {
      "words": "Dabs counted",
      "kind": "count",
      "unit": "",
      "low": 0,
      "high": 2000,
      "step": 1.0,
      "whole": true
    },
    "pass_number": {
      "words": "Run number",
      "kind": "count",
      "unit": "",
      "low": 1,
      "high": 30,
      "step": 1.0,
      "whole": true
    },
    "pass": {
      "words": "Run number",
      "kind": "count",
      "unit": "",
      "low": 1,
      "high": 30,
      "step": 1.0,
      "whole": true
    },
    "restart_mm": {
      "words": "Restart at",
      "kind": "length",
      "unit": "mm",
      "low": 0,
      "high": 2000,
      "step": 0.5,
      "whole": false
    },
    "thickness_mm": {
      "words": "Thickness",
      "kind": "length",
      "unit": "mm",
      "low": 0.2,
      "high": 25,
      "step": 0.1,
      "whole": false
    },
    "second_thickness_mm": {
      "words": "Second part thickness",
      "kind": "length",
      "unit": "mm",
      "low": 0.2,
      "high": 50,
      "step": 0.1,
      "whole": false
    },
    "tube_od_mm": {
      "words": "Tube outside diameter",
      "kind": "length",
      "unit": "mm",
      "low": 4,
      "high": 1000,
      "step": 0.1,
      "whole": false
    },
    "bore_length_mm": {
      "words": "Bore length",
      "kind": "length",
      "unit": "mm",
      "low": 10,
      "high": 20000,
      "step": 10,
      "whole": false
    },
    "bore_mm": {
      "words": "Bore",
      "kind": "length",
      "unit": "mm",
      "low": 3,
      "high": 1000,
      "step": 1.0,
      "whole": false
    },
    "target_width_mm": {
      "words": "Bead width",
      "kind": "length",
      "unit": "mm",
      "low": 1,
      "high": 25,
      "step": 0.1,
      "whole": false
    },
    "leg_mm": {
      "words": "Fillet leg",
      "kind": "length",
      "unit": "mm",
      "low": 0.5,
      "high": 20,
      "step": 0.1,
      "whole": false
    },
    "length_mm": {
      "words": "Length",
      "kind": "length",
      "unit": "mm",
      "low": 5,
      "high": 5000,
      "step": 5,
      "whole": false
    },
    "gauge": {
      "words": "Gauge",
      "kind": "count",
      "unit": "",
      "low": 10,
      "high": 24,
      "step": 1.0,
      "whole": true
    },
    "leg_upper_mm": {
      "words": "Vertical leg",
      "kind": "length",
      "unit": "mm",
      "low": 0,
      "high": 50,
      "step": 0.1,
      "whole": false
    },
    "leg_lower_mm": {
      "words": "Horizontal leg",
      "kind": "length",
      "unit": "mm",
      "low": 0,
      "high": 50,
      "step": 0.1,
      "whole": false
    },
    "throat_mm": {
      "words": "Throat",
      "kind": "length",
      "unit": "mm",
      "low": 0,
      "high": 50,
      "step": 0.1,
      "whole": false
    },
    "distortion_mm": {
      "words": "Out of flat",
      "kind": "length",
      "unit": "mm",
      "low": 0,
      "high": 200,
      "step": 0.5,
      "whole": false
    },
    "distortion_deg": {
      "words": "Angular distortion",
      "kind": "angle",
      "unit": "°",
      "low": 0,
      "high": 90,
      "step": 0.5,
      "whole": false
    },
    "time_taken_s": {
      "words": "Time taken",
      "kind": "time",
      "unit": "s",
      "low": 1,
      "high": 86400,
      "step": 10,
      "whole": false
    },
    "time_limit_s": {
      "words": "Time allowed",
      "kind": "time",
      "unit": "s",
      "low": 10,
      "high": 86400,
      "step": 10,
      "whole": false
    },
    "pass_mark": {
      "words": "Pass mark",
      "kind": "plain",
      "unit": "of 100",
      "low": 0,
      "high": 100,
      "step": 5,
      "whole": false
    },
    "weight": {
      "words": "Weight",
      "kind": "plain",
      "unit": "",
      "low": 0.1,
      "high": 1000,
      "step": 1,
      "whole": false
    },
    "bottle_l": {
      "words": "Bottle size",
      "kind": "plain",
      "unit": "L",
      "low": 0.5,
      "high": 60,
      "step": 1,
      "whole": false
    },
    "bottle_bar": {
      "words": "Pressure",
      "kind": "plain",
      "unit": "bar",
      "low": 0,
      "high": 320,
      "step": 5,
      "whole": false
    },
    "bottle_c": {
      "words": "Temperature",
      "kind": "plain",
      "unit": "°C",
      "low": -20,
      "high": 50,
      "step": 1,
      "whole": false
    },
    "blank_length_mm": {
      "words": "Length",
      "kind": "length",
      "unit": "mm",
      "low": 5,
      "high": 6000,
      "step": 5,
      "whole": false
    },
    "blank_width_mm": {
      "words": "Width",
      "kind": "length",
      "unit": "mm",
      "low": 5,
      "high": 3000,
      "step": 5,
      "whole": false
    },
    "kerf_mm": {
      "words": "Kerf",
      "kind": "length",
      "unit": "mm",
      "low": 0,
      "high": 10,
      "step": 0.1,
      "whole": false
    },
    "price": {
      "words": "Price",
      "kind": "plain",
      "unit": "",
      "low": 0,
      "high": 100000,
      "step": 1,
      "whole": false
    },
    "lead_days": {
      "words": "Delivery time",
      "kind": "count",
      "unit": "days",
      "low": 0,
      "high": 365,
      "step": 1.0,
      "whole": true
    },
    "low_at": {
      "words": "Reorder at",
      "kind": "plain",
      "unit": "",
      "low": 0,
      "high": 1000000,
      "step": 1,
      "whole": false
    },
    "good_in_a_row": {
      "words": "Passes in a row",
      "kind": "count",
      "unit": "",
      "low": 1,
      "high": 20,
      "step": 1.0,
      "whole": true
    }
  },
  "choices": {
    "metal": {
      "words": "Metal",
      "options": {
        "304": "304",
        "304L": "304L",
        "316": "316",
        "316L": "316L",
        "321": "321",
        "303": "303, free-machining",
        "carbon": "carbon steel",
        "titanium": "titanium",
        "nickel": "nickel alloy",
        "aluminium": "aluminium",
        "304L+carbon": "304L to carbon steel"
      },
      "why": {}
    },
    "joint": {
      "words": "Joint",
      "options": {
        "bead_on_plate": "bead on plate",
        "butt": "square butt",
        "lap": "lap",
        "tee": "tee fillet",
        "outside_corner": "outside corner",
        "edge": "edge",
        "tube_butt": "tube butt",
        "tube_sleeve": "tube sleeve",
        "tube_sleeve_bend": "sleeve on a bend",
        "tube_flange": "tube to flange",
        "socket": "socket",
        "turntable": "turntable tube"
      },
      "why": {}
    },
    "position": {
      "words": "Position",
      "options": {
        "flat": "flat",
        "horizontal": "horizontal",
        "vertical_up": "vertical up",
        "overhead": "overhead"
      },
      "why": {}
    },
    "form": {
      "words": "Form",
      "options": {
        "sheet": "sheet",
        "plate": "plate",
        "tube": "tube"
      },
      "why": {}
    },
    "technique": {
      "words": "Technique",
      "options": {
        "dab": "dab",
        "lay_wire": "lay wire",
        "walk_cup": "walk the cup",
        "fuse": "fuse (no filler)"
      },
      "why": {}
    },
    "gas_part": {
      "words": "Gas lens or collet body",
      "options": {
        "gas_lens": "gas lens",
        "collet_body": "collet body",
        "double_mesh": "double-mesh cup"
      },
      "why": {}
    },
    "polarity": {
      "words": "Polarity",
      "options": {
        "DCEN": "DC, electrode negative",
        "DCEP": "DC, electrode positive",
        "AC": "AC"
      },
      "why": {}
    },
    "torch": {
      "words": "Torch head",
      "options": {
        "9": "9: small, air, 125 A",
        "17": "17: large, air, 150 A",
        "18": "18: large, water, 350 A",
        "20": "20: small, water, 250 A",
        "26": "26: large, air, 200 A"
      },
      "why": {}
    },
    "electrode_kind": {
      "words": "Tungsten",
      "options": {
        "ceriated_2": "ceriated 2 %",
        "lanthanated_2": "lanthanated 2 %",
        "lanthanated_1_5": "lanthanated 1.5 %",
        "thoriated_2": "thoriated 2 %",
        "pure": "pure tungsten",
        "rare_earth_mix": "rare earth mix"
      },
      "why": {}
    },
    "filler_alloy": {
      "words": "Filler alloy",
      "options": {
        "none": "no filler",
        "308L": "308L",
        "309L": "309L",
        "316L": "316L",
        "347": "347",
        "4043": "4043",
        "5356": "5356",
        "ER70S": "ER70S",
        "nickel": "nickel alloy",
        "titanium": "titanium"
      },
      "why": {}
    },
    "gauge_table": {
      "words": "Gauge of",
      "options": {
        "stainless_sheet": "stainless sheet",
        "carbon_sheet": "carbon sheet",
        "tube_wall": "tube wall"
      },
      "why": {}
    },
    "electrode_after": {
      "words": "Tungsten after the weld",
      "options": {
        "shiny": "shiny",
        "tinted": "faintly tinted",
        "dull": "dull grey, blue or black",
        "dipped": "dipped"
      },
      "why": {}
    },
    "rod_end": {
      "words": "Filler rod end",
      "options": {
        "clean": "clean",
        "oxidised": "oxidised",
        "balled": "balled"
      },
      "why": {}
    },
    "arc": {
      "words": "Arc",
      "options": {
        "steady": "steady",
        "wandering": "wandering",
        "spiralling": "spiralling"
      },
      "why": {}
    },
    "face": {
      "words": "Face",
      "options": {
        "flat": "flat",
        "convex": "convex",
        "sunken": "concave",
        "ropey": "ropey"
      },
      "why": {}
    },
    "back": {
      "words": "Back side",
      "options": {
        "bright": "bright",
        "tinted": "tinted",
        "sugared": "sugared",
        "not_through": "lack of penetration",
        "hangs_through": "excess penetration"
      },
      "why": {}
    },
    "bend": {
      "words": "Bend or break test",
      "options": {
        "held": "held",
        "opened": "opened",
        "broke": "broke"
      },
      "why": {}
    },
    "finish": {
      "words": "Finish goal",
      "options": {
        "warm": "warm",
        "bright": "bright",
        "show_colour": "show colour"
      },
      "why": {
        "warm": "up to copper",
        "bright": "silver or straw only, root purged",
        "show_colour": "up to blue wanted, never grey"
      }
    },
    "pedal_school": {
      "words": "Pedal",
      "options": {
        "target": "Set the target, floor it",
        "ride": "Set above, ride the pedal"
      },
      "why": {
        "target": "One variable fewer; the card's machine setting is the aim.",
        "ride": "Machine 35 % above the aim; wets the toes when cold."
      }
    },
    "start_school": {
      "words": "Start",
      "options": {
        "quick": "Quick start",
        "settled": "Settled start"
      },
      "why": {
        "quick": "Puddle made and moving in 1 to 3 s; heat soaks in.",
        "settled": "A little filler, then wait 3 to 8 s until the puddle has settled."
      }
    },
    "sequence": {
      "words": "Coupon sequence",
      "options": {
        "stainless": "Stainless first",
        "carbon": "Carbon steel first"
      },
      "why": {
        "stainless": "Straight on what is built.",
        "carbon": "Cheaper and forgiving, then the same steps on stainless."
      }
    },
    "purge_school": {
      "words": "Purge",
      "options": {
        "always": "Always on tube",
        "root": "Where the root matters"
      },
      "why": {
        "always": "Butts and turntable tube are purged.",
        "root": "Only for a bright finish and on the turntable."
      }
    },
    "solvent": {
      "words": "Wiping",
      "options": {
        "acetone": "Acetone",
        "alcohol": "Denatured alcohol"
      },
      "why": {
        "acetone": "Flash off, cap it.",
        "alcohol": "Flash off, cap it."
      }
    },
    "unit_system": {
      "words": "Units for new members",
      "options": {
        "metric": "mm and L/min",
        "us": "thousandths and CFH"
      },
      "why": {}
    }
  },
  "schools": [
    "pedal_school",
    "start_school",
    "finish",
    "unit_system",
    "sequence",
    "purge_school",
    "solvent"
  ],
  "runGroups": [
    {
      "key": "set",
      "words": "Machine settings",
      "fields": [
        {
          "key": "current_a",
          "words": "Welding current",
          "sort": "figure",
          "required": true
        },
        {
          "key": "machine_a",
          "words": "Machine current",
          "sort": "figure",
          "required": false
        },
        {
          "key": "gas_l_min",
          "words": "Gas flow",
          "sort": "figure",
          "required": true
        },
        {
          "key": "cup",
          "words": "Cup number",
          "sort": "figure",
          "required": false
        },
        {
          "key": "gas_part",
          "words": "Gas lens or collet body",
          "sort": "choice",
          "required": false
        },
        {
          "key": "stickout_mm",
          "words": "Stick-out",
          "sort": "figure",
          "required": false
        },
        {
          "key": "polarity",
          "words": "Polarity",
          "sort": "choice",
          "required": false
        },
        {
          "key": "preflow_s",
          "words": "Pre-flow",
          "sort": "figure",
          "required": false
        },
        {
          "key": "downslope_s",
          "words": "Down-slope",
          "sort": "figure",
          "required": false
        },
        {
          "key": "postflow_s",
          "words": "Post-flow",
          "sort": "figure",
          "required": false
        }
      ]
    },
    {
      "key": "tools",
      "words": "Filler, tungsten, torch",
      "fields": [
        {
          "key": "technique",
          "words": "Technique",
          "sort": "choice",
          "required": false
        },
        {
          "key": "filler_alloy",
          "words": "Filler alloy",
          "sort": "choice",
          "required": false
        },
        {
          "key": "filler_mm",
          "words": "Filler rod diameter",
          "sort": "figure",
          "required": false
        },
        {
          "key": "electrode_kind",
          "words": "Tungsten",
          "sort": "choice",
          "required": false
        },
        {
          "key": "electrode_mm",
          "words": "Tungsten diameter",
          "sort": "figure",
          "required": false
        },
        {
          "key": "torch",
          "words": "Torch head",
          "sort": "choice",
          "required": false
        },
        {
          "key": "start_current_a",
          "words": "Start current",
          "sort": "figure",
          "required": false
        }
      ]
    },
    {
      "key": "pulse",
      "words": "Pulse",
      "fields": [
        {
          "key": "peak_a",
          "words": "Peak current",
          "sort": "figure",
          "required": false
        },
        {
          "key": "background_a",
          "words": "Background current",
          "sort": "figure",
          "required": false
        },
        {
          "key": "on_share",
          "words": "Peak time",
          "sort": "figure",
          "required": false
        },
        {
          "key": "per_second",
          "words": "Pulse frequency",
          "sort": "figure",
          "required": false
        }
      ]
    },
    {
      "key": "purge",
      "words": "Purge",
      "fields": [
        {
          "key": "purge_l_min",
          "words": "Purge flow",
          "sort": "figure",
          "required": false
        },
        {
          "key": "purge_wait_s",
          "words": "Purge wait",
          "sort": "figure",
          "required": false
        }
      ]
    },
    {
      "key": "hands",
      "words": "Technique",
      "fields": [
        {
          "key": "arc_s",
          "words": "Arc time",
          "sort": "figure",
          "required": false
        },
        {
          "key": "travel_mm_s",
          "words": "Travel speed",
          "sort": "figure",
          "required": false
        },
        {
          "key": "dabs",
          "words": "Dabs counted",
          "sort": "figure",
          "required": false
        },
        {
          "key": "work_angle_deg",
          "words": "Work angle",
          "sort": "figure",
          "required": false
        },
        {
          "key": "travel_angle_deg",
          "words": "Travel angle (push)",
          "sort": "figure",
          "required": false
        },
        {
          "key": "pass_number",
          "words": "Run number",
          "sort": "figure",
          "required": false
        },
        {
          "key": "restarts_mm",
          "words": "Restarts at",
          "sort": "several",
          "required": false,
          "of": "restart_mm"
        }
      ]
    },
    {
      "key": "noticed",
      "words": "What you noticed",
      "fields": [
        {
          "key": "electrode_after",
          "words": "Tungsten after the weld",
          "sort": "choice",
          "required": false
        },
        {
          "key": "rod_end",
          "words": "Filler rod end",
          "sort": "choice",
          "required": false
        },
        {
          "key": "arc",
          "words": "Arc",
          "sort": "choice",
          "required": false
        },
        {
          "key": "puff_at_start",
          "words": "Gas puffed at the start",
          "sort": "flag",
          "required": false
        },
        {
          "key": "draught",
          "words": "A draught",
          "sort": "flag",
          "required": false
        },
        {
          "key": "part_hot",
          "words": "Part still hot from before",
          "sort": "flag",
          "required": false
        }
      ]
    },
    {
      "key": "note",
      "words": "Note",
      "fields": [
        {
          "key": "note",
          "words": "Note",
          "sort": "text",
          "required": false,
          "most": 2000
        }
      ]
    }
  ],
  "gauges": [
    10,
    11,
    12,
    14,
    16,
    18,
    20,
    22,
    24
  ],
  "joints": {
    "bead_on_plate": {
      "words": "bead on plate",
      "tube": false,
      "fillet": false
    },
    "butt": {
      "words": "square butt",
      "tube": false,
      "fillet": false
    },
    "lap": {
      "words": "lap",
      "tube": false,
      "fillet": true
    },
    "tee": {
      "words": "tee fillet",
      "tube": false,
      "fillet": true
    },
    "outside_corner": {
      "words": "outside corner",
      "tube": false,
      "fillet": false
    },
    "edge": {
      "words": "edge",
      "tube": false,
      "fillet": false
    },
    "tube_butt": {
      "words": "tube butt",
      "tube": true,
      "fillet": false
    },
    "tube_sleeve": {
      "words": "tube sleeve",
      "tube": true,
      "fillet": true
    },
    "tube_sleeve_bend": {
      "words": "sleeve on a bend",
      "tube": true,
      "fillet": true
    },
    "tube_flange": {
      "words": "tube to flange",
      "tube": true,
      "fillet": true
    },
    "socket": {
      "words": "socket",
      "tube": true,
      "fillet": true
    },
    "turntable": {
      "words": "turntable tube",
      "tube": true,
      "fillet": false
    }
  },
  "photoWarnings": {
    "no_card: scale given by hand; colours are not corrected for the light": "No card: the scale was given by hand, and colours are not corrected for the light.",
    "unsure: the toes are hard to tell in this photo; check them and correct them by hand": "Unsure: the toes are hard to tell in this photo. Check them and correct them by hand."
  },
  "tint": [
    {
      "name": "silver",
      "colour": "#b5b3b0"
    },
    {
      "name": "straw",
      "colour": "#aa9f89"
    },
    {
      "name": "gold",
      "colour": "#987c49"
    },
    {
      "name": "copper",
      "colour": "#814d20"
    },
    {
      "name": "purple",
      "colour": "#551047"
    },
    {
      "name": "blue",
      "colour": "#004a84"
    },
    {
      "name": "pale blue",
      "colour": "#5c8b9c"
    },
    {
      "name": "grey",
      "colour": "#5e5e5e"
    }
  ],
  "faults": {
    "pore": {
      "words": "pore",
      "long": false
    },
    "crater": {
      "words": "crater",
      "long": false
    },
    "undercut": {
      "words": "undercut",
      "long": true
    },
    "burn_through": {
      "words": "burn-through",
      "long": false
    },
    "sugaring": {
      "words": "sugaring",
      "long": true
    },
    "inclusion": {
      "words": "inclusion",
      "long": false
    },
    "gap": {
      "words": "gap",
      "long": true
    },
    "bulge": {
      "words": "bulge",
      "long": true
    }
  },
  "criteria": {
    "width_evenness": {
      "words": "Even width",
      "figure": "coefficient of variation of the width",
      "unit": "share",
      "byHand": false,
      "curve": [
        [
          0.02,
          10.0
        ],
        [
          0.06,
          8.0
        ],
        [
          0.1,
          5.0
        ],
        [
          0.2,
          0.0
        ]
      ],
      "options": {}
    },
    "width_on_target": {
      "words": "Width on target",
      "figure": "mean width off the target width",
      "unit": "share",
      "byHand": false,
      "curve": [
        [
          0.05,
          10
        ],
        [
          0.15,
          8
        ],
        [
          0.25,
          5
        ],
        [
          0.5,
          0
        ]
      ],
      "options": {}
    },
    "width_drift": {
      "words": "No width drift",
      "figure": "change of the width along the bead",
      "unit": "share",
      "byHand": false,
      "curve": [
        [
          0.05,
          10
        ],
        [
          0.12,
          8
        ],
        [
          0.2,
          5
        ],
        [
          0.4,
          0
        ]
      ],
      "options": {}
    },
    "ripple_evenness": {
      "words": "Even ripples",
      "figure": "coefficient of variation of the gaps",
      "unit": "share",
      "byHand": false,
      "curve": [
        [
          0.05,
          10.0
        ],
        [
          0.12,
          8.0
        ],
        [
          0.2,
          5.0
        ],
        [
          0.4,
          0.0
        ]
      ],
      "options": {}
    },
    "straight_toes": {
      "words": "Straight toes",
      "figure": "waviness of the worse toe over the mean width",
      "unit": "share",
      "byHand": false,
      "curve": [
        [
          0.02,
          10.0
        ],
        [
          0.06,
          8.0
        ],
        [
          0.12,
          5.0
        ],
        [
          0.25,
          0.0
        ]
      ],
      "options": {}
    },
    "tint": {
      "words": "Heat tint",
      "figure": "levels darker than the finish accepts",
      "unit": "levels",
      "byHand": false,
      "curve": [
        [
          0,
          10
        ],
        [
          1,
          5
        ],
        [
          2,
          2
        ],
        [
          3,
          0
        ]
      ],
      "options": {}
    },
    "tint_zone": {
      "words": "HAZ tint",
      "figure": "mean width of the tinted zone over the bead's",
      "unit": "share",
      "byHand": false,
      "curve": [
        [
          0.6,
          10
        ],
        [
          1.0,
          8
        ],
        [
          1.6,
          5
        ],
        [
          3.0,
          0
        ]
      ],
      "options": {}
    },
    "tint_sides": {
      "words": "Even HAZ tint on both sides",
      "figure": "wider over narrower side of the zone",
      "unit": "ratio",
      "byHand": false,
      "curve": [
        [
          1.15,
          10
        ],
        [
          1.5,
          8
        ],
        [
          2.0,
          5
        ],
        [
          3.5,
          0
        ]
      ],
      "options": {}
    },
    "faults": {
      "words": "Faults",
      "figure": "points lost to faults",
      "unit": "points",
      "byHand": false,
      "curve": [
        [
          0,
          10
        ],
        [
          1,
          8
        ],
        [
          3,
          4
        ],
        [
          6,
          0
        ]
      ],
      "options": {}
    },
    "ends": {
      "words": "Ends and restarts",
      "figure": "faults at the ends and restarts",
      "unit": "points",
      "byHand": false,
      "curve": [
        [
          0,
          10
        ],
        [
          1,
          6
        ],
        [
          2,
          3
        ],
        [
          3,
          0
        ]
      ],
      "options": {}
    },
    "length_welded": {
      "words": "Length welded",
      "figure": "length over the target length",
      "unit": "share",
      "byHand": false,
      "curve": [
        [
          0.5,
          0
        ],
        [
          0.8,
          5
        ],
        [
          0.95,
          10
        ]
      ],
      "options": {}
    },
    "setup_followed": {
      "words": "Setup followed",
      "figure": "points lost to settings off the card and warnings",
      "unit": "points",
      "byHand": false,
      "curve": [
        [
          0,
          10
        ],
        [
          10,
          0
        ]
      ],
      "options": {}
    },
    "preparation": {
      "words": "Preparation",
      "figure": "steps done of those on the list",
      "unit": "share",
      "byHand": false,
      "curve": [
        [
          0.5,
          0
        ],
        [
          0.75,
          5
        ],
        [
          1.0,
          10
        ]
      ],
      "options": {}
    },
    "legs_equal": {
      "words": "Equal legs",
      "figure": "longer over shorter leg",
      "unit": "ratio",
      "byHand": true,
      "curve": [
        [
          1.05,
          10
        ],
        [
          1.25,
          8
        ],
        [
          1.5,
          5
        ],
        [
          2.0,
          0
        ]
      ],
      "options": {}
    },
    "leg_size": {
      "words": "Leg on target",
      "figure": "mean leg off the target leg",
      "unit": "share",
      "byHand": true,
      "curve": [
        [
          0.1,
          10
        ],
        [
          0.2,
          8
        ],
        [
          0.35,
          5
        ],
        [
          0.7,
          0
        ]
      ],
      "options": {}
    },
    "throat": {
      "words": "Throat",
      "figure": "throat over 0.7 of the shorter leg",
      "unit": "share",
      "byHand": true,
      "curve": [
        [
          0.7,
          0
        ],
        [
          0.9,
          5
        ],
        [
          1.0,
          10
        ],
        [
          1.25,
          10
        ],
        [
          1.6,
          5
        ]
      ],
      "options": {}
    },
    "face": {
      "words": "Face",
      "figure": "shape of the face",
      "unit": "",
      "byHand": true,
      "curve": [],
      "options": {
        "flat": 10,
        "convex": 9,
        "sunken": 3,
        "ropey": 2
      }
    },
    "back": {
      "words": "Back side",
      "figure": "look of the back",
      "unit": "",
      "byHand": true,
      "curve": [],
      "options": {
        "bright": 10,
        "tinted": 7,
        "sugared": 0,
        "not_through": 0,
        "hangs_through": 3
      }
    },
    "distortion": {
      "words": "Distortion",
      "figure": "lift from a flat table",
      "unit": "mm",
      "byHand": true,
      "curve": [
        [
          0.5,
          10
        ],
        [
          1.0,
          8
        ],
        [
          2.0,
          5
        ],
        [
          5.0,
          0
        ]
      ],
      "options": {}
    },
    "turned": {
      "words": "Angular distortion",
      "figure": "angle off the set-up angle",
      "unit": "deg",
      "byHand": true,
      "curve": [
        [
          1,
          10
        ],
        [
          2,
          8
        ],
        [
          4,
          5
        ],
        [
          8,
          0
        ]
      ],
      "options": {}
    },
    "bend": {
      "words": "Bend or break test",
      "figure": "test result",
      "unit": "",
      "byHand": true,
      "curve": [],
      "options": {
        "held": 10,
        "opened": 4,
        "broke": 0
      }
    },
    "time_taken": {
      "words": "Time taken",
      "figure": "time over the time allowed",
      "unit": "share",
      "byHand": true,
      "curve": [
        [
          0.8,
          10
        ],
        [
          1.0,
          8
        ],
        [
          1.2,
          4
        ],
        [
          1.5,
          0
        ]
      ],
      "options": {}
    },
    "overall": {
      "words": "Overall look",
      "figure": "mean of the other criteria less points lost to faults",
      "unit": "points",
      "byHand": false,
      "curve": [
        [
          0,
          0
        ],
        [
          10,
          10
        ]
      ],
      "options": {}
    }
  },
  "knockOuts": {
    "grey": "grey on the bead",
    "pore": "any pore",
    "crater": "any crater",
    "undercut": "any undercut",
    "burn_through": "any burn-through",
    "sugaring": "any sugaring",
    "inclusion": "any inclusion",
    "gap": "any gap",
    "bulge": "any bulge",
    "back_sugared": "sugar on the back",
    "back_not_through": "lack of penetration",
    "bend_broke": "broke in the test",
    "not_in_time": "not finished in time"
  },
  "findings": {
    "leg_upper_mm": {
      "key": "leg_upper_mm",
      "words": "Vertical leg",
      "sort": "figure",
      "required": false
    },
    "leg_lower_mm": {
      "key": "leg_lower_mm",
      "words": "Horizontal leg",
      "sort": "figure",
      "required": false
    },
    "throat_mm": {
      "key": "throat_mm",
      "words": "Throat",
      "sort": "figure",
      "required": false
    },
    "face": {
      "key": "face",
      "words": "Face",
      "sort": "choice",
      "required": false
    },
    "back": {
      "key": "back",
      "words": "Back side",
      "sort": "choice",
      "required": false
    },
    "distortion_mm": {
      "key": "distortion_mm",
      "words": "Out of flat",
      "sort": "figure",
      "required": false
    },
    "distortion_deg": {
      "key": "distortion_deg",
      "words": "Angular distortion",
      "sort": "figure",
      "required": false
    },
    "bend": {
      "key": "bend",
      "words": "Bend or break test",
      "sort": "choice",
      "required": false
    },
    "time_taken_s": {
      "key": "time_taken_s",
      "words": "Time taken",
      "sort": "figure",
      "required": false
    }
  },
  "placeholders": {
    "name": "first name",
    "width": "mean width",
    "target": "target width",
    "varies": "width variation",
    "gaps": "ripple variation",
    "pitch": "mean gap",
    "tint": "tint of the bead",
    "length": "length"
  },
  "undoS": 10,
  "usualScheme": "training",
  "bands": {
    "width_cv": {
      "good": 0.06,
      "accepted": 0.1
    },
    "pitch_cv": {
      "good": 0.12,
      "accepted": 0.2
    },
    "toe_waviness": {
      "good": 0.06,
      "accepted": 0.12
    }
  },
  "lapse": {
    "long": 1.5,
    "short": 0.6
  },
  "cardWidthShare": [
    0.85,
    1.2
  ],
  "finishLevel": {
    "bright": 1,
    "warm": 3,
    "show_colour": 6
  },
  "most": {
    "comment": 4000,
    "next": 300,
    "photoBytes": 26214400
  },
  "reachMm": 4.0,
  "states": {
    "assigned": "to weld",
    "logged": "logged",
    "photographed": "photo sent",
    "measured": "ready to mark",
    "marked": "marked, not returned",
    "returned": "returned",
    "photo_asked": "new photo requested",
    "weld_again": "to weld again",
    "second_asked": "waiting for a second mark",
    "to_agree": "two marks to agree on"
  },
  "views": {
    "bead": "Bead",
    "back": "Back side",
    "setup": "Setup at the machine",
    "torch": "Torch in place"
  },
  "orders": {
    "waited": "waiting longest",
    "need": "greatest need",
    "coupon": "coupon"
  },
  "needs": {
    "none": "",
    "first": "first attempt at this coupon",
    "failing": "failed last time",
    "stuck": "stuck: failed three in a row"
  },
  "roles": {
    "instructor": "instructor",
    "assistant": "assistant",
    "student": "student"
  },
  "token_scopes": {
    "read": "reads",
    "write": "reads and writes"
  },
  "notices": {
    "due": "a coupon is due tomorrow",
    "returned": "a mark is returned",
    "again": "a coupon needs welding or photographing again",
    "low": "stock in a course I teach is low"
  },
  "sheets": {
    "people": "People",
    "coupons": "Coupons",
    "assignments": "Given coupons",
    "runs": "Runs",
    "figures": "Figures and findings",
    "marks": "Marks"
  },
  "outcomes": {
    "made": "new",
    "changed": "changes",
    "same": "as it is",
    "refused": "refused"
  }
} as const;
