"""Sketches and first drafts."""
