"""Machines and services that Ulna talks to, simulated: each a program of its own behind a small interface."""
