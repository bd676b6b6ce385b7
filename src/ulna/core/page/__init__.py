"""The recipe of a page, what comes of it, and every way in which a hand changes it."""
