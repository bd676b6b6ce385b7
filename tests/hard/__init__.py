"""Hard use: kills, broken files, generated requests by the thousand. `make hard` runs all, `make test` a part."""
