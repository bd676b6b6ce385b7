"""Photos, their crops and looks, prints, and the sheets that prints come on."""
