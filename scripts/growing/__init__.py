"""Made-up pupils whose true chances are known, to measure estimates on: several models that share
no code with what estimates them, each with pupils of many kinds."""
