"""Fetches sounds that are no arc from Debian's packages, for teaching the ear and for checking it. None is kept in the repository.

sounds.py FOLDER PACKAGE... leaves FOLDER/PACKAGE/NUMBER.wav: one channel, 48 kHz, 16 bit, 0.15 to 6 s. Needs apt, dpkg-deb and ffmpeg.
"""

import pathlib
import re
import subprocess
import sys
import tempfile

SUFFIXES = {".wav", ".ogg", ".oga", ".opus", ".mp3", ".flac"}
# Containers with sound files in them as they are: an archive of samples, a toolkit's compiled resources.
CONTAINERS = {".cat", ".rcc"}
MOST = 400
LEAST_SECONDS = 0.15


def carved(data):
    """RIFF files, and Ogg streams from their first page to their last."""
    for found in re.finditer(rb"RIFF(....)WAVE", data, re.DOTALL):
        yield data[found.start() : found.start() + 8 + int.from_bytes(found[1], "little")]
    start = None
    for page in re.finditer(rb"OggS\0(.)", data, re.DOTALL):
        if page[1][0] & 2:
            start = page.start()
        if page[1][0] & 4 and start is not None:
            yield data[start : page.start() + 65307]
            start = None


def convert(source, target):
    subprocess.run(
        ["ffmpeg", "-v", "quiet", "-y", "-i", source, "-t", "6", "-ac", "1", "-ar", "48000", "-c:a", "pcm_s16le", target],
        check=False,
    )
    if target.exists() and target.stat().st_size < 44 + 96000 * LEAST_SECONDS:
        target.unlink()


def fetch(folder, package):
    target = folder / package
    if target.exists():
        return
    with tempfile.TemporaryDirectory() as temporary:
        work = pathlib.Path(temporary)
        work.chmod(0o755)
        subprocess.run(["apt-get", "-qq", "download", package], cwd=work, check=True, stderr=subprocess.DEVNULL)
        subprocess.run(["dpkg-deb", "-x", next(work.glob("*.deb")), work / "x"], check=True)
        target.mkdir(parents=True)
        files = sorted(file for file in (work / "x").rglob("*") if file.is_file())
        sounds = [file for file in files if file.suffix.lower() in SUFFIXES]
        for container in (file for file in files if file.suffix.lower() in CONTAINERS):
            for number, data in enumerate(carved(container.read_bytes())):
                sounds.append(work / f"{container.stem}-{number}.bin")
                sounds[-1].write_bytes(data)
        # Spread over all of them where there are many.
        for number, sound in enumerate(sounds[:: max(1, len(sounds) // MOST)]):
            convert(sound, target / f"{number:04}.wav")
        print(f"{package}: {len(list(target.iterdir()))} sounds of {len(sounds)}")


if __name__ == "__main__":
    for name in sys.argv[2:]:
        fetch(pathlib.Path(sys.argv[1]), name)
