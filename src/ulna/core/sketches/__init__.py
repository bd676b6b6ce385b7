"""Sketches: places with a role, drawn before any paper is chosen; and first drafts of pages made from them."""
