"""The two compiled modules: most of a search for cuts is spent there. The types of their numbers stand in `.pxd` files
beside them; without a C compiler they run as they stand."""

from Cython.Build import cythonize
from setuptools import Extension, setup

DIRECTIVES = {
    "boundscheck": False,
    "wraparound": False,
    "initializedcheck": False,
    "cdivision": True,
    "binding": False,
    "annotation_typing": False,
}

modules = [
    Extension(
        f"ulna.core.planner.{name}",
        [f"src/ulna/core/planner/{name}.py"],
        extra_compile_args=["-O2", "-g0"],
        optional=True,
    )
    for name in ("blocks", "trials")
]
setup(
    ext_modules=cythonize(modules, build_dir=".made/compiled", compiler_directives=DIRECTIVES, quiet=True),
    options={"build_ext": {"parallel": len(modules)}},
)
