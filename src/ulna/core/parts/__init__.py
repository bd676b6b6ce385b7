"""What parts of a page are made of: pieces, places, mats, openings, papers; the kinds of part are in `kinds`."""
