"""The ear's measuring, written with SciPy: what bench -- arc compares with. Prints the seconds it took, best of three."""
import sys, time
import numpy as np
from scipy.io import wavfile
from scipy.signal import find_peaks, lfilter


def measure(path):
    rate, raw = wavfile.read(path)
    x = raw.astype(np.float32) / 32768
    whole = max(1, rate // 22000)
    x = x[: len(x) // whole * whole].reshape(-1, whole).mean(axis=1)
    rate = rate / whole

    def low(signal, hertz):
        keep = 1 - np.exp(-2 * np.pi * hertz / rate)
        return lfilter([keep], [1, keep - 1], signal)

    one = low(x, 2500)
    two = low(one, 2500)
    top = x - one - (one - two)
    middle = two - low(two, 300)
    bright = top - low(top, 6500)
    block = int(rate / 1000)
    count = len(x) // block

    def power(signal):
        return (signal[: count * block].reshape(count, block) ** 2).mean(axis=1)

    high, below, air = power(top), power(middle), power(bright)
    features = []
    for start in range(0, count - 500 + 1, 250):
        part = high[start : start + 500]
        ordered = np.sort(part)
        median = max(ordered[250], 1e-12)
        peaks, _ = find_peaks(part, height=4 * median, distance=4)
        gaps = np.diff(peaks)
        swell = np.log10(np.maximum(part.reshape(20, 25).mean(axis=1), 1e-12)).std()
        loud = part > 4 * median
        features.append([
            np.log10(ordered[498] / median), np.log10(ordered[475] / median), np.log10(median / max(ordered[50], 1e-13)),
            np.log10(1 + 2 * len(peaks)), gaps.std() / gaps.mean() if len(gaps) > 1 else 0, gaps.max() / 500 if len(gaps) else 1,
            np.log10(part.mean() / max(below[start : start + 500].mean(), 1e-12)), part[part > 12 * median].sum() / part.sum(), swell,
            loud.sum() / max(1, (np.diff(loud.astype(int)) == 1).sum()), (part ** 2).mean() / part.mean() ** 2,
            np.log10(part[peaks]).std() if len(peaks) > 1 else 0, air[start : start + 500].mean() / part.mean(),
        ])
    return np.array(features)


took = []
for _ in range(3):
    began = time.perf_counter()
    measure(sys.argv[1])
    took.append(time.perf_counter() - began)
print(min(took))
