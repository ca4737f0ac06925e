/** Made by `./judicum openapi` from the core's tables; never typed by hand. */
export const vocabulary = {
  "units": {
    "length": {
      "mm": {
        "label": "mm",
        "per_si": 1.0,
        "digits": 1,
        "joined": false,
        "fractions": false
      },
      "thou": {
        "label": "thou",
        "per_si": 39.37007874015748,
        "digits": 0,
        "joined": false,
        "fractions": false
      }
    },
    "size": {
      "mm": {
        "label": "mm",
        "per_si": 1.0,
        "digits": 1,
        "joined": false,
        "fractions": false
      },
      "thou": {
        "label": "in",
        "per_si": 0.03937007874015748,
        "digits": 3,
        "joined": false,
        "fractions": true
      }
    },
    "pressure": {
      "l_min": {
        "label": "bar",
        "per_si": 1.0,
        "digits": 0,
        "joined": false,
        "fractions": false
      },
      "cfh": {
        "label": "psi",
        "per_si": 14.503774389728312,
        "digits": 0,
        "joined": false,
        "fractions": false
      }
    },
    "flow": {
      "l_min": {
        "label": "L/min",
        "per_si": 1.0,
        "digits": 1,
        "joined": false,
        "fractions": false
      },
      "cfh": {
        "label": "CFH",
        "per_si": 2.1188800032893154,
        "digits": 0,
        "joined": false,
        "fractions": false
      }
    },
    "speed": {
      "mm": {
        "label": "mm/s",
        "per_si": 1.0,
        "digits": 1,
        "joined": false,
        "fractions": false
      },
      "thou": {
        "label": "ipm",
        "per_si": 2.362204724409449,
        "digits": 1,
        "joined": false,
        "fractions": false
      }
    },
    "current": {
      "any": {
        "label": "A",
        "per_si": 1.0,
        "digits": 0,
        "joined": false,
        "fractions": false
      }
    },
    "time": {
      "any": {
        "label": "s",
        "per_si": 1.0,
        "digits": 1,
        "joined": false,
        "fractions": false
      }
    },
    "angle": {
      "any": {
        "label": "°",
        "per_si": 1.0,
        "digits": 0,
        "joined": true,
        "fractions": false
      }
    },
    "count": {
      "any": {
        "label": "",
        "per_si": 1.0,
        "digits": 0,
        "joined": false,
        "fractions": false
      }
    },
    "share": {
      "any": {
        "label": "%",
        "per_si": 100.0,
        "digits": 0,
        "joined": true,
        "fractions": false
      }
    },
    "rate": {
      "any": {
        "label": "/s",
        "per_si": 1.0,
        "digits": 1,
        "joined": true,
        "fractions": false
      }
    },
    "mark": {
      "any": {
        "label": "",
        "per_si": 1.0,
        "digits": 1,
        "joined": false,
        "fractions": false
      }
    },
    "plain": {
      "any": {
        "label": "",
        "per_si": 1.0,
        "digits": 1,
        "joined": false,
        "fractions": false
      }
    }
  },
  "mmPerInch": 25.4,
  "fractions": {
    "finest": 32,
    "maxOff": 0.002
  },
  "quantities": {
    "current_a": {
      "kind": "current",
      "unit": "A",
      "low": 1,
      "high": 1000,
      "step": 1.0,
      "whole": false
    },
    "machine_a": {
      "kind": "current",
      "unit": "A",
      "low": 1,
      "high": 1000,
      "step": 1.0,
      "whole": false
    },
    "start_current_a": {
      "kind": "current",
      "unit": "A",
      "low": 1,
      "high": 1000,
      "step": 1.0,
      "whole": false
    },
    "peak_a": {
      "kind": "current",
      "unit": "A",
      "low": 1,
      "high": 1000,
      "step": 1.0,
      "whole": false
    },
    "background_a": {
      "kind": "current",
      "unit": "A",
      "low": 0,
      "high": 1000,
      "step": 1.0,
      "whole": false
    },
    "on_share": {
      "kind": "share",
      "unit": "",
      "low": 0.01,
      "high": 0.99,
      "step": 0.05,
      "whole": false
    },
    "per_second": {
      "kind": "rate",
      "unit": "1/s",
      "low": 0.1,
      "high": 5000,
      "step": 0.1,
      "whole": false
    },
    "cup": {
      "kind": "count",
      "unit": "",
      "low": 3,
      "high": 24,
      "step": 1.0,
      "whole": false
    },
    "gas_l_min": {
      "kind": "flow",
      "unit": "L/min",
      "low": 1,
      "high": 60,
      "step": 0.5,
      "whole": false
    },
    "gas_cfh": {
      "kind": "plain",
      "unit": "CFH",
      "low": 2,
      "high": 127,
      "step": 1,
      "whole": false
    },
    "cup_flow_l_min": {
      "kind": "flow",
      "unit": "L/min",
      "low": 1,
      "high": 60,
      "step": 0.5,
      "whole": false
    },
    "purge_l_min": {
      "kind": "flow",
      "unit": "L/min",
      "low": 0.2,
      "high": 60,
      "step": 0.5,
      "whole": false
    },
    "purge_wait_s": {
      "kind": "time",
      "unit": "s",
      "low": 0,
      "high": 7200,
      "step": 5,
      "whole": false
    },
    "stickout_mm": {
      "kind": "length",
      "unit": "mm",
      "low": 0,
      "high": 60,
      "step": 1.0,
      "whole": false
    },
    "arc_length_mm": {
      "kind": "length",
      "unit": "mm",
      "low": 0,
      "high": 20,
      "step": 0.5,
      "whole": false
    },
    "electrode_mm": {
      "kind": "size",
      "unit": "mm",
      "low": 0.5,
      "high": 6.4,
      "step": 0.4,
      "whole": false
    },
    "filler_mm": {
      "kind": "size",
      "unit": "mm",
      "low": 0.5,
      "high": 6.4,
      "step": 0.2,
      "whole": false
    },
    "preflow_s": {
      "kind": "time",
      "unit": "s",
      "low": 0,
      "high": 60,
      "step": 0.1,
      "whole": false
    },
    "downslope_s": {
      "kind": "time",
      "unit": "s",
      "low": 0,
      "high": 60,
      "step": 0.5,
      "whole": false
    },
    "postflow_s": {
      "kind": "time",
      "unit": "s",
      "low": 0,
      "high": 120,
      "step": 1.0,
      "whole": false
    },
    "work_angle_deg": {
      "kind": "angle",
      "unit": "°",
      "low": 0,
      "high": 180,
      "step": 5,
      "whole": false
    },
    "travel_angle_deg": {
      "kind": "angle",
      "unit": "°",
      "low": -45,
      "high": 90,
      "step": 5,
      "whole": false
    },
    "filler_angle_deg": {
      "kind": "angle",
      "unit": "°",
      "low": 0,
      "high": 90,
      "step": 5,
      "whole": false
    },
    "travel_mm_s": {
      "kind": "speed",
      "unit": "mm/s",
      "low": 0.05,
      "high": 50,
      "step": 0.1,
      "whole": false
    },
    "dab_pitch_mm": {
      "kind": "length",
      "unit": "mm",
      "low": 0.2,
      "high": 20,
      "step": 0.1,
      "whole": false
    },
    "dabs_per_s": {
      "kind": "rate",
      "unit": "1/s",
      "low": 0.05,
      "high": 10,
      "step": 0.1,
      "whole": false
    },
    "turntable_rpm": {
      "kind": "plain",
      "unit": "1/min",
      "low": 0.01,
      "high": 60,
      "step": 0.05,
      "whole": false
    },
    "beads": {
      "kind": "count",
      "unit": "",
      "low": 2,
      "high": 12,
      "step": 1.0,
      "whole": true
    },
    "arc_s": {
      "kind": "time",
      "unit": "s",
      "low": 0.1,
      "high": 3600,
      "step": 1.0,
      "whole": false
    },
    "dabs": {
      "kind": "count",
      "unit": "",
      "low": 0,
      "high": 2000,
      "step": 1.0,
      "whole": true
    },
    "pass_number": {
      "kind": "count",
      "unit": "",
      "low": 1,
      "high": 30,
      "step": 1.0,
      "whole": true
    },
    "pass": {
      "kind": "count",
      "unit": "",
      "low": 1,
      "high": 30,
      "step": 1.0,
      "whole": true
    },
    "passes": {
      "kind": "count",
      "unit": "",
      "low": 1,
      "high": 12,
      "step": 1.0,
      "whole": true
    },
    "seams_planned": {
      "kind": "count",
      "unit": "",
      "low": 1,
      "high": 24,
      "step": 1.0,
      "whole": true
    },
    "dabs_per_run": {
      "kind": "count",
      "unit": "",
      "low": 2,
      "high": 200,
      "step": 1.0,
      "whole": true
    },
    "arc_diameters": {
      "kind": "plain",
      "unit": "",
      "low": 0.1,
      "high": 6,
      "step": 0.25,
      "whole": false
    },
    "cooled_s": {
      "kind": "time",
      "unit": "s",
      "low": 0,
      "high": 7200,
      "step": 10,
      "whole": false
    },
    "tacks": {
      "kind": "count",
      "unit": "",
      "low": 0,
      "high": 60,
      "step": 1.0,
      "whole": true
    },
    "tack_a": {
      "kind": "current",
      "unit": "A",
      "low": 1,
      "high": 1000,
      "step": 1.0,
      "whole": false
    },
    "backing_mm": {
      "kind": "size",
      "unit": "mm",
      "low": 0.5,
      "high": 100,
      "step": 1.0,
      "whole": false
    },
    "min_a": {
      "kind": "current",
      "unit": "A",
      "low": 1,
      "high": 1000,
      "step": 1.0,
      "whole": false
    },
    "max_a": {
      "kind": "current",
      "unit": "A",
      "low": 1,
      "high": 1000,
      "step": 1.0,
      "whole": false
    },
    "start_min_a": {
      "kind": "current",
      "unit": "A",
      "low": 1,
      "high": 1000,
      "step": 1.0,
      "whole": false
    },
    "mains_a": {
      "kind": "current",
      "unit": "A",
      "low": 1,
      "high": 1000,
      "step": 1.0,
      "whole": false
    },
    "pulse_max_per_second": {
      "kind": "rate",
      "unit": "1/s",
      "low": 0.1,
      "high": 5000,
      "step": 1,
      "whole": false
    },
    "turn_s": {
      "kind": "time",
      "unit": "s",
      "low": 1,
      "high": 3600,
      "step": 1,
      "whole": false
    },
    "mean_a": {
      "kind": "current",
      "unit": "A",
      "low": 1,
      "high": 1000,
      "step": 1.0,
      "whole": false
    },
    "restart_mm": {
      "kind": "length",
      "unit": "mm",
      "low": 0,
      "high": 2000,
      "step": 0.5,
      "whole": false
    },
    "thickness_mm": {
      "kind": "size",
      "unit": "mm",
      "low": 0.2,
      "high": 25,
      "step": 0.1,
      "whole": false
    },
    "second_thickness_mm": {
      "kind": "size",
      "unit": "mm",
      "low": 0.2,
      "high": 50,
      "step": 0.1,
      "whole": false
    },
    "tube_od_mm": {
      "kind": "size",
      "unit": "mm",
      "low": 4,
      "high": 1000,
      "step": 0.1,
      "whole": false
    },
    "bore_length_mm": {
      "kind": "size",
      "unit": "mm",
      "low": 10,
      "high": 20000,
      "step": 10,
      "whole": false
    },
    "bore_mm": {
      "kind": "size",
      "unit": "mm",
      "low": 3,
      "high": 1000,
      "step": 1.0,
      "whole": false
    },
    "target_width_mm": {
      "kind": "length",
      "unit": "mm",
      "low": 1,
      "high": 25,
      "step": 0.1,
      "whole": false
    },
    "leg_mm": {
      "kind": "length",
      "unit": "mm",
      "low": 0.5,
      "high": 20,
      "step": 0.1,
      "whole": false
    },
    "length_mm": {
      "kind": "size",
      "unit": "mm",
      "low": 5,
      "high": 5000,
      "step": 5,
      "whole": false
    },
    "gauge": {
      "kind": "count",
      "unit": "",
      "low": 10,
      "high": 24,
      "step": 1.0,
      "whole": true
    },
    "leg_upper_mm": {
      "kind": "length",
      "unit": "mm",
      "low": 0,
      "high": 50,
      "step": 0.1,
      "whole": false
    },
    "leg_lower_mm": {
      "kind": "length",
      "unit": "mm",
      "low": 0,
      "high": 50,
      "step": 0.1,
      "whole": false
    },
    "throat_mm": {
      "kind": "length",
      "unit": "mm",
      "low": 0,
      "high": 50,
      "step": 0.1,
      "whole": false
    },
    "distortion_mm": {
      "kind": "length",
      "unit": "mm",
      "low": 0,
      "high": 200,
      "step": 0.5,
      "whole": false
    },
    "distortion_deg": {
      "kind": "angle",
      "unit": "°",
      "low": 0,
      "high": 90,
      "step": 0.5,
      "whole": false
    },
    "time_taken_s": {
      "kind": "time",
      "unit": "s",
      "low": 1,
      "high": 86400,
      "step": 10,
      "whole": false
    },
    "time_limit_s": {
      "kind": "time",
      "unit": "s",
      "low": 10,
      "high": 86400,
      "step": 10,
      "whole": false
    },
    "part_c": {
      "kind": "plain",
      "unit": "°C",
      "low": -30,
      "high": 900,
      "step": 5,
      "whole": false
    },
    "width_mm": {
      "kind": "length",
      "unit": "mm",
      "low": 0.1,
      "high": 40,
      "step": 0.1,
      "whole": false
    },
    "width_start_mm": {
      "kind": "length",
      "unit": "mm",
      "low": 0.1,
      "high": 40,
      "step": 0.1,
      "whole": false
    },
    "width_end_mm": {
      "kind": "length",
      "unit": "mm",
      "low": 0.1,
      "high": 40,
      "step": 0.1,
      "whole": false
    },
    "zone_mm": {
      "kind": "length",
      "unit": "mm",
      "low": 0,
      "high": 100,
      "step": 0.1,
      "whole": false
    },
    "grey_end_mm": {
      "kind": "length",
      "unit": "mm",
      "low": 0,
      "high": 5000,
      "step": 0.5,
      "whole": false
    },
    "tint_bead": {
      "kind": "count",
      "unit": "",
      "low": 0,
      "high": 7,
      "step": 1.0,
      "whole": true
    },
    "tint_zone": {
      "kind": "count",
      "unit": "",
      "low": 0,
      "high": 7,
      "step": 1.0,
      "whole": true
    },
    "pass_mark": {
      "kind": "plain",
      "unit": "of 100",
      "low": 0,
      "high": 100,
      "step": 5,
      "whole": false
    },
    "weight": {
      "kind": "plain",
      "unit": "",
      "low": 0.1,
      "high": 1000,
      "step": 1,
      "whole": false
    },
    "bottle_l": {
      "kind": "plain",
      "unit": "L",
      "low": 0.5,
      "high": 60,
      "step": 1,
      "whole": false
    },
    "bottle_bar": {
      "kind": "pressure",
      "unit": "bar",
      "low": 0,
      "high": 320,
      "step": 5,
      "whole": false
    },
    "bottle_c": {
      "kind": "plain",
      "unit": "°C",
      "low": -20,
      "high": 50,
      "step": 1,
      "whole": false
    },
    "blank_length_mm": {
      "kind": "size",
      "unit": "mm",
      "low": 5,
      "high": 6000,
      "step": 5,
      "whole": false
    },
    "blank_width_mm": {
      "kind": "size",
      "unit": "mm",
      "low": 5,
      "high": 3000,
      "step": 5,
      "whole": false
    },
    "kerf_mm": {
      "kind": "length",
      "unit": "mm",
      "low": 0,
      "high": 10,
      "step": 0.1,
      "whole": false
    },
    "price": {
      "kind": "plain",
      "unit": "",
      "low": 0,
      "high": 100000,
      "step": 1,
      "whole": false
    },
    "lead_days": {
      "kind": "count",
      "unit": "days",
      "low": 0,
      "high": 365,
      "step": 1.0,
      "whole": true
    },
    "low_at": {
      "kind": "plain",
      "unit": "",
      "low": 0,
      "high": 1000000,
      "step": 1,
      "whole": false
    },
    "good_in_a_row": {
      "kind": "count",
      "unit": "",
      "low": 1,
      "high": 20,
      "step": 1.0,
      "whole": true
    }
  },
  "choices": {
    "metal": [
      "304",
      "304L",
      "316",
      "316L",
      "321",
      "303",
      "carbon",
      "titanium",
      "nickel",
      "aluminium",
      "304L+carbon"
    ],
    "joint": [
      "bead_on_plate",
      "butt",
      "lap",
      "tee",
      "outside_corner",
      "edge",
      "tube_butt",
      "tube_sleeve",
      "tube_sleeve_bend",
      "tube_flange",
      "socket",
      "turntable"
    ],
    "position": [
      "flat",
      "horizontal",
      "vertical_up",
      "overhead"
    ],
    "form": [
      "sheet",
      "plate",
      "tube"
    ],
    "technique": [
      "dab",
      "lay_wire",
      "walk_cup",
      "fuse"
    ],
    "gas_part": [
      "gas_lens",
      "collet_body",
      "double_mesh"
    ],
    "polarity": [
      "DCEN",
      "DCEP",
      "AC"
    ],
    "torch": [
      "9",
      "17",
      "18",
      "20",
      "26"
    ],
    "electrode_kind": [
      "ceriated_2",
      "lanthanated_2",
      "lanthanated_1_5",
      "thoriated_2",
      "pure",
      "rare_earth_mix"
    ],
    "filler_alloy": [
      "none",
      "308L",
      "309L",
      "316L",
      "347",
      "4043",
      "5356",
      "ER70S",
      "nickel",
      "titanium"
    ],
    "gauge_table": [
      "stainless_sheet",
      "carbon_sheet",
      "tube_wall"
    ],
    "electrode_after": [
      "shiny",
      "tinted",
      "dull",
      "dipped"
    ],
    "rod_end": [
      "clean",
      "oxidised",
      "balled"
    ],
    "arc": [
      "steady",
      "wandering",
      "spiralling"
    ],
    "face": [
      "flat",
      "convex",
      "sunken",
      "ropey"
    ],
    "back": [
      "bright",
      "tinted",
      "sugared",
      "not_through",
      "hangs_through"
    ],
    "bend": [
      "held",
      "opened",
      "broke"
    ],
    "finish": [
      "warm",
      "bright",
      "show_colour"
    ],
    "pedal_school": [
      "target",
      "ride"
    ],
    "start_school": [
      "quick",
      "settled"
    ],
    "sequence": [
      "stainless",
      "carbon"
    ],
    "purge_school": [
      "always",
      "butts",
      "root",
      "never"
    ],
    "solvent": [
      "acetone",
      "alcohol"
    ],
    "unit_system": [
      "metric",
      "us"
    ],
    "locale": [
      "en-GB",
      "en-US"
    ],
    "layers": [
      "weave",
      "stacked"
    ],
    "cup_school": [
      "wide",
      "middling",
      "small"
    ],
    "gas_part_school": [
      "gas_lens",
      "collet_body"
    ],
    "flow_school": [
      "number",
      "half",
      "more",
      "less"
    ],
    "pulse_school": [
      "thin",
      "seldom",
      "clock"
    ],
    "seams": [
      "in_turn",
      "one_to_its_end"
    ],
    "run_order": [
      "straight_round",
      "every_second"
    ],
    "dabs_school": [
      "by_cover",
      "12",
      "15",
      "20",
      "30"
    ],
    "purge_tacks": [
      "purge_first",
      "tacks_first"
    ],
    "start_amps": [
      "lowest",
      "lamp",
      "hot"
    ],
    "end_school": [
      "slope",
      "taper"
    ],
    "electrode_school": [
      "ceriated",
      "lanthanated",
      "mixture",
      "thoriated"
    ],
    "grip_school": [
      "cue",
      "fist",
      "finger_sleeve"
    ],
    "feed_school": [
      "low",
      "fed",
      "laid",
      "still"
    ],
    "grinding_school": [
      "fingers",
      "rest",
      "drill"
    ],
    "pulse_preset": [
      "metronome",
      "thirds",
      "half_and_half",
      "fused_sheet",
      "fast_and_stiff"
    ],
    "prop": [
      "arm",
      "finger",
      "shield",
      "none"
    ],
    "grip": [
      "cue",
      "fist"
    ],
    "feed": [
      "pinch",
      "walk",
      "lift",
      "lay"
    ],
    "backing": [
      "none",
      "bar",
      "chill_plate",
      "purge"
    ],
    "control": [
      "pedal",
      "pedal_switch",
      "two_step",
      "four_step",
      "scratch"
    ],
    "machine_torch": [
      "9",
      "17",
      "18",
      "20",
      "26"
    ]
  },
  "schools": [
    "pedal_school",
    "start_school",
    "finish",
    "unit_system",
    "sequence",
    "purge_school",
    "solvent",
    "locale",
    "cup_school",
    "gas_part_school",
    "flow_school",
    "pulse_school",
    "seams",
    "run_order",
    "dabs_school",
    "purge_tacks",
    "start_amps",
    "end_school",
    "electrode_school",
    "grip_school",
    "feed_school",
    "grinding_school"
  ],
  "runGroups": [
    {
      "key": "set",
      "fields": [
        {
          "key": "current_a",
          "sort": "figure",
          "required": true
        },
        {
          "key": "machine_a",
          "sort": "figure",
          "required": false
        },
        {
          "key": "gas_l_min",
          "sort": "figure",
          "required": true
        },
        {
          "key": "cup",
          "sort": "figure",
          "required": false
        },
        {
          "key": "gas_part",
          "sort": "choice",
          "required": false
        },
        {
          "key": "stickout_mm",
          "sort": "figure",
          "required": false
        },
        {
          "key": "polarity",
          "sort": "choice",
          "required": false
        },
        {
          "key": "preflow_s",
          "sort": "figure",
          "required": false
        },
        {
          "key": "downslope_s",
          "sort": "figure",
          "required": false
        },
        {
          "key": "postflow_s",
          "sort": "figure",
          "required": false
        }
      ]
    },
    {
      "key": "tools",
      "fields": [
        {
          "key": "technique",
          "sort": "choice",
          "required": false
        },
        {
          "key": "filler_alloy",
          "sort": "choice",
          "required": false
        },
        {
          "key": "filler_mm",
          "sort": "figure",
          "required": false
        },
        {
          "key": "electrode_kind",
          "sort": "choice",
          "required": false
        },
        {
          "key": "electrode_mm",
          "sort": "figure",
          "required": false
        },
        {
          "key": "torch",
          "sort": "choice",
          "required": false
        },
        {
          "key": "start_current_a",
          "sort": "figure",
          "required": false
        }
      ]
    },
    {
      "key": "pulse",
      "fields": [
        {
          "key": "peak_a",
          "sort": "figure",
          "required": false
        },
        {
          "key": "background_a",
          "sort": "figure",
          "required": false
        },
        {
          "key": "on_share",
          "sort": "figure",
          "required": false
        },
        {
          "key": "per_second",
          "sort": "figure",
          "required": false
        }
      ]
    },
    {
      "key": "purge",
      "fields": [
        {
          "key": "purge_l_min",
          "sort": "figure",
          "required": false
        },
        {
          "key": "purge_wait_s",
          "sort": "figure",
          "required": false
        },
        {
          "key": "purge_vent",
          "sort": "flag",
          "required": false
        },
        {
          "key": "backing",
          "sort": "choice",
          "required": false
        },
        {
          "key": "backing_mm",
          "sort": "figure",
          "required": false
        }
      ]
    },
    {
      "key": "tacked",
      "fields": [
        {
          "key": "tacks",
          "sort": "figure",
          "required": false
        },
        {
          "key": "tack_a",
          "sort": "figure",
          "required": false
        }
      ]
    },
    {
      "key": "hands",
      "fields": [
        {
          "key": "prop",
          "sort": "choice",
          "required": false
        },
        {
          "key": "grip",
          "sort": "choice",
          "required": false
        },
        {
          "key": "feed",
          "sort": "choice",
          "required": false
        },
        {
          "key": "arc_diameters",
          "sort": "figure",
          "required": false
        },
        {
          "key": "arc_s",
          "sort": "figure",
          "required": false
        },
        {
          "key": "travel_mm_s",
          "sort": "figure",
          "required": false
        },
        {
          "key": "dabs",
          "sort": "figure",
          "required": false
        },
        {
          "key": "work_angle_deg",
          "sort": "figure",
          "required": false
        },
        {
          "key": "travel_angle_deg",
          "sort": "figure",
          "required": false
        },
        {
          "key": "pass_number",
          "sort": "figure",
          "required": false
        },
        {
          "key": "cooled_s",
          "sort": "figure",
          "required": false
        },
        {
          "key": "brushed",
          "sort": "flag",
          "required": false
        },
        {
          "key": "restarts_mm",
          "sort": "several",
          "required": false,
          "of": "restart_mm"
        }
      ]
    },
    {
      "key": "noticed",
      "fields": [
        {
          "key": "electrode_after",
          "sort": "choice",
          "required": false
        },
        {
          "key": "rod_end",
          "sort": "choice",
          "required": false
        },
        {
          "key": "arc",
          "sort": "choice",
          "required": false
        },
        {
          "key": "puff_at_start",
          "sort": "flag",
          "required": false
        },
        {
          "key": "draught",
          "sort": "flag",
          "required": false
        },
        {
          "key": "part_hot",
          "sort": "flag",
          "required": false
        }
      ]
    },
    {
      "key": "note",
      "fields": [
        {
          "key": "note",
          "sort": "text",
          "required": false,
          "most": 2000
        }
      ]
    }
  ],
  "machineFields": [
    {
      "key": "control",
      "sort": "choice",
      "required": false
    },
    {
      "key": "min_a",
      "sort": "figure",
      "required": false
    },
    {
      "key": "max_a",
      "sort": "figure",
      "required": false
    },
    {
      "key": "start_min_a",
      "sort": "figure",
      "required": false
    },
    {
      "key": "pulse_max_per_second",
      "sort": "figure",
      "required": false
    },
    {
      "key": "mains_a",
      "sort": "figure",
      "required": false
    },
    {
      "key": "machine_torch",
      "sort": "choice",
      "required": false
    },
    {
      "key": "no_preflow",
      "sort": "flag",
      "required": false
    },
    {
      "key": "no_downslope",
      "sort": "flag",
      "required": false
    },
    {
      "key": "no_postflow",
      "sort": "flag",
      "required": false
    },
    {
      "key": "no_ac",
      "sort": "flag",
      "required": false
    },
    {
      "key": "no_pulse",
      "sort": "flag",
      "required": false
    },
    {
      "key": "ac_controls",
      "sort": "text",
      "required": false,
      "most": 2000
    },
    {
      "key": "knobs",
      "sort": "text",
      "required": false,
      "most": 2000
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
      "tube": false,
      "fillet": false
    },
    "butt": {
      "tube": false,
      "fillet": false
    },
    "lap": {
      "tube": false,
      "fillet": true
    },
    "tee": {
      "tube": false,
      "fillet": true
    },
    "outside_corner": {
      "tube": false,
      "fillet": false
    },
    "edge": {
      "tube": false,
      "fillet": false
    },
    "tube_butt": {
      "tube": true,
      "fillet": false
    },
    "tube_sleeve": {
      "tube": true,
      "fillet": true
    },
    "tube_sleeve_bend": {
      "tube": true,
      "fillet": true
    },
    "tube_flange": {
      "tube": true,
      "fillet": true
    },
    "socket": {
      "tube": true,
      "fillet": true
    },
    "turntable": {
      "tube": true,
      "fillet": false
    }
  },
  "photoWarnings": {
    "no_card: scale given by hand; colours are not corrected for the light": "no_card",
    "two_lights: undercuts were read from two photos with the lamp on either side": "two_lights",
    "two_lights_no_bead: the bead was not measured, so the photo in the other light was not read": "two_lights_no_bead",
    "two_lights_unreadable: the photo in the other light cannot be read": "two_lights_unreadable",
    "two_lights_no_card: no card was found in the photo in the other light": "two_lights_no_card",
    "two_lights_other_place: part or card was moved between the two photos": "two_lights_other_place",
    "two_lights_same_light: the lamp stood on the same side in both photos": "two_lights_same_light",
    "unsure: the toes are hard to tell in this photo; check them and correct them by hand": "unsure_bead"
  },
  "tint": [
    {
      "colour": "#b5b3b0"
    },
    {
      "colour": "#aa9f89"
    },
    {
      "colour": "#987c49"
    },
    {
      "colour": "#814d20"
    },
    {
      "colour": "#551047"
    },
    {
      "colour": "#004a84"
    },
    {
      "colour": "#5c8b9c"
    },
    {
      "colour": "#5e5e5e"
    }
  ],
  "faults": {
    "pore": {
      "long": false
    },
    "crater": {
      "long": false
    },
    "undercut": {
      "long": true
    },
    "burn_through": {
      "long": false
    },
    "sugaring": {
      "long": true
    },
    "inclusion": {
      "long": false
    },
    "gap": {
      "long": true
    },
    "bulge": {
      "long": true
    }
  },
  "criteria": {
    "width_evenness": {
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
  "knockOuts": [
    "grey",
    "pore",
    "crater",
    "undercut",
    "burn_through",
    "sugaring",
    "inclusion",
    "gap",
    "bulge",
    "back_sugared",
    "back_not_through",
    "bend_broke",
    "not_in_time"
  ],
  "findings": {
    "leg_upper_mm": {
      "key": "leg_upper_mm",
      "sort": "figure",
      "required": false
    },
    "leg_lower_mm": {
      "key": "leg_lower_mm",
      "sort": "figure",
      "required": false
    },
    "throat_mm": {
      "key": "throat_mm",
      "sort": "figure",
      "required": false
    },
    "face": {
      "key": "face",
      "sort": "choice",
      "required": false
    },
    "back": {
      "key": "back",
      "sort": "choice",
      "required": false
    },
    "distortion_mm": {
      "key": "distortion_mm",
      "sort": "figure",
      "required": false
    },
    "distortion_deg": {
      "key": "distortion_deg",
      "sort": "figure",
      "required": false
    },
    "bend": {
      "key": "bend",
      "sort": "choice",
      "required": false
    },
    "time_taken_s": {
      "key": "time_taken_s",
      "sort": "figure",
      "required": false
    }
  },
  "placeholders": [
    "name",
    "width",
    "target",
    "varies",
    "gaps",
    "pitch",
    "tint",
    "length"
  ],
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
    "mark": 100.0,
    "photoBytes": 26214400
  },
  "reachMm": 4.0,
  "states": [
    "assigned",
    "logged",
    "photographed",
    "measured",
    "marked",
    "returned",
    "photo_asked",
    "weld_again",
    "second_asked",
    "to_agree"
  ],
  "views": [
    "bead",
    "run",
    "back",
    "setup",
    "torch",
    "trial",
    "lamp"
  ],
  "orders": [
    "waited",
    "need",
    "coupon"
  ],
  "needs": [
    "none",
    "first",
    "failing",
    "stuck"
  ],
  "roles": [
    "instructor",
    "assistant",
    "student"
  ],
  "token_scopes": [
    "read",
    "write"
  ],
  "notices": [
    "due",
    "returned",
    "again",
    "low"
  ],
  "sheets": [
    "people",
    "coupons",
    "assignments",
    "runs",
    "figures",
    "marks"
  ],
  "outcomes": [
    "made",
    "changed",
    "same",
    "refused"
  ]
} as const;
