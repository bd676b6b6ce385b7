"""What pages take from a kit: the cost of one, several from one shelf, gutting, the book."""
