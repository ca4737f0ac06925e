"""The demo course: a scenario (fountain.json), its photos drawn and really measured."""
