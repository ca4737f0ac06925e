"""The demo course: a scenario (demo/fountain.json), its photos drawn and really measured."""
