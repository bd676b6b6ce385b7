"""Ulna measures, plans and cuts scrapbook pages from the sheets of a paper kit."""

__version__ = "0.3.0"
