"""Letters and words: faces, alphabets, titles."""
