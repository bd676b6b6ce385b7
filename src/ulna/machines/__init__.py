"""What stands outside, each behind a small interface."""
