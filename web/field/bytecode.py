"""Run inside the runtime: its own library and ours, from source to bytecode, in two stored zips."""

import ast
import importlib._bootstrap_external as external
import zipfile
from pathlib import Path

# what no part of the application asks for
LEFT_OUT = tuple(
    "test idlelib tkinter turtledemo turtle ensurepip lib2to3 pydoc_data pydoc doctest unittest"
    " venv distutils pip lzma curses dbm xmlrpc wsgiref msilib sqlite3/test".split()
)
OURS_LEFT_OUT = tuple(
    f"emulsa/{each}"
    for each in "__main__ page field/built field/single field/one_file demo scenery cli server"
    " exchange/cards/fonts".split()
)
# what a word for people can stand at the head of
TOLD = (ast.Module, ast.ClassDef, ast.FunctionDef, ast.AsyncFunctionDef)


def pyc(source: bytes, name: str) -> bytes:
    """Bytecode without what is written for people: nobody reads it out there, every phone would
    keep it. Of ours what is asserted stays, and dataclasses keep a word: they would write one."""
    own = name.startswith("emulsa/")
    code = (
        compile(bare(source), name, "exec", dont_inherit=True)
        if own
        else compile(source, name, "exec", dont_inherit=True, optimize=2)
    )
    return bytes(external._code_to_hash_pyc(code, b"\0" * 8, False))


def bare(source: bytes) -> ast.Module:
    tree = ast.parse(source)
    for node in ast.walk(tree):
        if isinstance(node, TOLD) and ast.get_docstring(node, clean=False) is not None:
            node.body[0] = ast.Expr(ast.Constant("."))
    return ast.fix_missing_locations(tree)


def left_out(name: str, which: tuple[str, ...]) -> bool:
    return any(name == each or name.startswith((f"{each}/", f"{each}.")) for each in which)


def packed(target: str, files: dict[str, bytes]) -> None:
    with zipfile.ZipFile(target, "w", zipfile.ZIP_STORED) as zip_:
        for name in sorted(files):
            # without a moment: the same sources make the same file
            if name.endswith(".py"):
                zip_.writestr(zipfile.ZipInfo(f"{name}c"), pyc(files[name], name))
            else:
                zip_.writestr(zipfile.ZipInfo(name), files[name])


with zipfile.ZipFile("/runtime/python_stdlib.zip") as library:
    found = {
        each: library.read(each)
        for each in library.namelist()
        if not each.endswith("/") and not left_out(each, LEFT_OUT)
    }
packed("/work/stdlib.zip", found)

root = Path("/source")
ours = {}
for path in sorted((root / "emulsa").rglob("*")):
    name = path.relative_to(root).as_posix()
    if path.suffix in (".py", ".sql", ".json") and not left_out(name, OURS_LEFT_OUT):
        ours[name] = path.read_bytes()
packed("/work/emulsa.zip", ours)
