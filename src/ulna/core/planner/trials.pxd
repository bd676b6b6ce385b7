# What the compiler is told of trials.py: the types of its numbers. The module says what they are.
cimport cython

cdef int STOCK, FITS, SPLITS, OPENINGS, REACHES
cdef int AREA_LEFT, SHORTER_GAP, KEEPS_LARGER_REST, IS_UPRIGHT, MOST_WANTED, SMALLEST
cdef double REACHING, REACHED, FLIPPED, THRIFTY, MIXED, FROM_OTHER, MOVED, BESIDE, NUDGE, TURNED_OVER
cdef double ANOTHER_MANNER, OTHER_THRIFT, DEAR, NEVER, PER_PIECE
cdef unsigned long long BITS, MIXING

cdef class Trials:
    # pieces and sheets, lengths in units
    cdef object unit
    cdef int n, kinds
    cdef long long kerf
    cdef long long[::1] w, h
    cdef char[::1] turn
    cdef long long[::1] panel_w, panel_h
    cdef double[::1] area
    cdef bint gutted
    cdef char[::1] may, fits, scrap
    cdef int[::1] offer_first
    cdef long long[::1] offer_w, offer_h
    cdef int most_offers
    cdef double[::1] room, worth
    cdef int starts
    cdef long long[::1] start_w, start_h
    cdef int[::1] start_sheet
    cdef char[::1] start_cheap
    cdef int begun
    cdef int[::1] begun_kind
    cdef char[::1] begun_needed
    cdef bint cheap

    # what is bred now: m of the pieces, on what there is
    cdef int m
    cdef int[::1] of
    cdef char[::1] there
    cdef int[::1] quantity
    cdef double[::1] demand
    cdef long long least
    cdef bint emptying
    cdef double[::1] places
    cdef int senses
    cdef double[::1] noise
    cdef int noises
    cdef long long[::1] reaches
    cdef int[::1] reach_many
    cdef unsigned long long dice
    cdef double fitted

    # the stock, a row for each; `ranked` are the rows from the best, `free` is the one for the next trial
    cdef double[::1] keys
    cdef int[::1] order
    cdef char[::1] flip, reach, fit, split, opening, thrifty
    cdef double[::1] ranks
    cdef int[::1] ranked
    cdef int stocked, free, made, firsts

    # one trial: its free parts, its sheets, what was chosen step by step, and its rank (less is better)
    cdef long long[::1] part_w, part_h
    cdef int[::1] part_sheet, part_slot
    cdef char[::1] part_cheap
    cdef int[::1] left
    cdef int sheets
    cdef int[::1] sheet_kind
    cdef char[::1] sheet_used
    cdef double[::1] sheet_held
    cdef int[::1] sheet_slots, log_sheet, log_slot
    cdef char[::1] log_way
    cdef long long[::1] log_reach
    cdef int chosen
    cdef bint turned
    cdef double unplaced, whole, third

    # the best trial
    cdef int[::1] best_order, best_sheet, best_slot
    cdef char[::1] best_way
    cdef long long[::1] best_reach
    cdef int[::1] best_kind
    cdef double best_unplaced, best_whole, best_third

    @cython.locals(many=cython.int, goal=cython.double, gained=cython.bint)
    cpdef object breed(self, object pieces, object there, object quantity, object budget, object seed, object bound, object settled=*, object patience=*, object emptying=*)
    @cython.locals(at=cython.int)
    cdef object _reach(self, object pieces)
    cdef object _found(self)
    @cython.locals(gained=cython.bint, _=cython.int, row=cython.int)
    cdef bint _round(self, int many, double goal) noexcept nogil
    @cython.locals(x=cython.ulonglong, high=cython.longlong)
    cdef double _random(self) noexcept nogil
    @cython.locals(found=cython.int)
    cdef int _below(self, int most) noexcept nogil
    cdef double _bell(self) noexcept nogil
    @cython.locals(m=cython.int, base=cython.int, sense=cython.int, i=cython.int, noise=cython.double)
    cdef void _first(self, int row, int k) noexcept nogil
    @cython.locals(m=cython.int, one=cython.int, other=cython.int, base=cython.int, from_one=cython.int,
        from_other=cython.int, i=cython.int, _=cython.int, lucky=cython.double, mixed=cython.bint)
    cdef void _child(self, int row) noexcept nogil
    @cython.locals(m=cython.int, base=cython.int, i=cython.int, piece=cython.int, j=cython.int,
        keys=cython.double[::1], order=cython.int[::1], key=cython.double)
    cdef void _sort(self, int row) noexcept nogil
    cdef bint _is_best(self) noexcept nogil
    @cython.locals(base=cython.int, i=cython.int)
    cdef void _write(self, int row) noexcept nogil
    @cython.locals(low=cython.int, high=cython.int, last=cython.int, i=cython.int, middle=cython.int,
        at=cython.int, less=cython.int)
    cdef void _stock_up(self, int row) noexcept nogil
    cdef int _compared(self, int at) noexcept nogil
    @cython.locals(base=cython.int, top=cython.int, whole=cython.int, without=cython.int, step=cython.int,
        gene=cython.int, p=cython.int, c=cython.int, sheet=cython.int, kind=cython.int, low=cython.int,
        kerf=cython.longlong, a=cython.longlong, b=cython.longlong, w=cython.longlong, h=cython.longlong,
        reach=cython.longlong, wide=cython.longlong, high=cython.longlong, inner_w=cython.longlong,
        inner_h=cython.longlong, dear=cython.double, fitted=cython.double, turned=cython.bint,
        upright=cython.bint, cheap=cython.char)
    cdef void _lay(self, int row) noexcept nogil
    @cython.locals(i=cython.int, top=cython.int, sheet=cython.int)
    cdef int _begin(self) noexcept nogil
    @cython.locals(sheet=cython.int, i=cython.int)
    cdef int _open(self, int kind, int top) noexcept nogil
    @cython.locals(slot=cython.int)
    cdef int _part(self, int top, long long w, long long h, int sheet, char cheap) noexcept nogil
    @cython.locals(part_w=cython.longlong[::1], part_h=cython.longlong[::1], w=cython.longlong,
        h=cython.longlong, over=cython.longlong, under=cython.longlong, kinds=cython.int, way=cython.int,
        c=cython.int, best=cython.double, score=cython.double)
    cdef void _choose(self, int p, int low, int top, int fit, double dear) noexcept nogil
    @cython.locals(over=cython.double, under=cython.double, upright=cython.double, level=cython.double)
    cdef bint _is_upright(self, int split, long long w, long long h, long long a, long long b) noexcept nogil
    @cython.locals(which=cython.int)
    cdef long long _length(self, int p, int reach, bint by_width) noexcept nogil
    @cython.locals(found=cython.double, i=cython.int)
    cdef double _emptied(self) noexcept nogil
    @cython.locals(found=cython.double, i=cython.int, w=cython.longlong, h=cython.longlong)
    cdef double _lost(self, int top) noexcept nogil
    @cython.locals(found=cython.int, k=cython.int, best=cython.double, by=cython.double)
    cdef int _to_open(self, int piece, int opening) noexcept nogil
