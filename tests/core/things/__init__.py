"""Things: sharing out, triangles, scatters, room, what is seen on a sheet."""
