"""The craft: pure functions over frozen values. No input or output, no clock, no chance without a seed."""
