"""Rectangles on marks; outlines, polygons and lattices for what no ruler measures."""
