"""One household: its documents and what is remembered of them, the roll, printing, the trimmer, longer searches."""
