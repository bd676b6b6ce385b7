# What the compiler is told of blocks.py: the types of its numbers. The module says what they are.
cimport cython

cdef int MOST_BLOCKS, DIGIT, BINS
cdef unsigned long long ALL, GOLDEN

cdef class Blocks:
    cdef object unit
    cdef long long width, height, kerf, least, give
    cdef double waste
    cdef bint tight

    # the blocks by columns: size, area of the pieces, which these are, how they are joined and of which two blocks
    cdef int count, room
    cdef long long[::1] w, h
    cdef double[::1] area
    cdef unsigned long long[::1] has
    cdef char[::1] how
    cdef int[::1] left, right
    cdef object full

    # blocks of the same pieces are chains, that begin in a table
    cdef int[::1] same, table
    cdef int mask

    # their order by the edge where they are joined now
    cdef int[::1] order
    cdef long long[::1] edge
    cdef double pairs

    @cython.locals(k=cython.int)
    cpdef object block(self, object at)
    @cython.locals(k=cython.int)
    cpdef object pieces(self, object at)
    @cython.locals(without=cython.ulonglong, needed=cython.ulonglong, k=cython.int)
    cpdef object fullest(self, object used, object wanted, object most)
    @cython.locals(least=cython.double, k=cython.int, whole=cython.bint)
    cdef object _filling(self)
    @cython.locals(last=cython.int, done=cython.int, made=cython.int, beside=cython.bint, most=cython.double)
    cdef object _joined(self, int first, object budget)
    @cython.locals(old_w=cython.longlong[::1], old_h=cython.longlong[::1], old_area=cython.double[::1],
        old_has=cython.ulonglong[::1], old_how=cython.char[::1], old_left=cython.int[::1],
        old_right=cython.int[::1], k=cython.int)
    cdef object _make_room(self)
    @cython.locals(k=cython.int, last=cython.int, to=cython.int, bins=cython.int[::1])
    cdef object _thin(self, int first)
    @cython.locals(lost=cython.double, found=cython.int)
    cdef int _bin(self, int at) noexcept nogil
    @cython.locals(mixed=cython.ulonglong, found=cython.int)
    cdef int _hash(self, unsigned long long has) noexcept nogil
    @cython.locals(place=cython.int)
    cdef void _enter(self, int at) noexcept nogil
    @cython.locals(there=cython.int, at=cython.int)
    cdef void _keep(self, long long w, long long h, unsigned long long has, double area, char how, int left, int right) noexcept nogil
    @cython.locals(order=cython.int[::1], edges=cython.longlong[::1], limit=cython.longlong,
        edge=cython.longlong, long=cython.longlong, across=cython.longlong, length=cython.longlong,
        w=cython.longlong, h=cython.longlong, one=cython.int, k=cython.int, other=cython.int,
        has=cython.ulonglong, area=cython.double)
    cdef int _join(self, bint beside, int first, int last, int done, double most) noexcept nogil
    cdef bint _may_be_part(self, long long length, long long across, long long limit, double area) noexcept nogil
    @cython.locals(beside=cython.bint, edges=cython.longlong[::1], most=cython.longlong, digits=cython.int[::1],
        order=cython.int[::1], other=cython.int[::1], shift=cython.int, digit=cython.int, k=cython.int)
    cdef object _sort(self, object way, int last)

cdef class _Choice:
    cdef int many, pieces
    cdef unsigned long long[::1] has
    cdef int[::1] kind, left, alive, counts, taken
    cdef int depth
    cdef double looks, most

    @cython.locals(k=cython.int, count=cython.int, everything=cython.ulonglong, done=cython.bint)
    cpdef object made(self)
    @cython.locals(scarce=cython.int, k=cython.int, one=cython.int, fewer=cython.int, j=cython.int,
        other=cython.int)
    cdef bint _go(self, int base, int count, unsigned long long open_) noexcept nogil
    @cython.locals(piece=cython.int, k=cython.int, found=cython.int, rest=cython.ulonglong)
    cdef int _scarce(self, int base, int count, unsigned long long open_) noexcept nogil
