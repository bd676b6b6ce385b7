"""The demo household: a family on a narrowboat, their kits, photos and pages, all made by code."""
