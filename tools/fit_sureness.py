#!/usr/bin/env python3
"""Fits the weights that say how sure it is that there is a beat (src/hear/sureness_weights.h).

Reads what `bench_hearing --sureness FILE FOLDER` wrote: for each recording whether its first tempo is right, octave
free (never for a single sound), and the figures. A linear part plus a small hidden layer, several nets averaged; the
loss is the cross entropy, so that what comes out is a probability.

Needs: python3-numpy. Usage: tools/fit_sureness.py TRAIN... [--test HELD...] [--out FILE]
"""
import argparse
import struct

import numpy as np

from fit_pulse import row


def load(path):
    data = open(path, "rb").read()
    figures = struct.unpack_from("<i", data)[0]
    rows = np.frombuffer(data, "<f4", offset=4).reshape(-1, figures + 2)
    return rows[:, 0].copy(), rows[:, 1].copy(), rows[:, 2:].astype(float)  # right, single, figures


def logit(w, z):
    return w["bias"] + z @ w["direct"] + np.tanh(z @ w["hidden"].T + w["lift"]) @ w["out"]


def fit(z, right, each, hidden, rounds, decay, seed):
    rng = np.random.default_rng(seed)
    d = z.shape[1]
    w = {"direct": np.zeros(d), "hidden": rng.normal(0, 0.12, (hidden, d)), "lift": np.zeros(hidden), "out": rng.normal(0, 0.1, hidden), "bias": np.zeros(1)}
    m, v = {k: np.zeros_like(x) for k, x in w.items()}, {k: np.zeros_like(x) for k, x in w.items()}
    keep = each * (rng.random(len(z)) < 0.8)
    for step in range(1, rounds + 1):
        noisy = z + rng.normal(0, 0.12, z.shape)
        h = np.tanh(noisy @ w["hidden"].T + w["lift"])
        p = 1 / (1 + np.exp(-(w["bias"] + noisy @ w["direct"] + h @ w["out"])))
        g = (p - right) * keep / keep.sum()
        dh = np.outer(g, w["out"]) * (1 - h * h)
        grads = {"direct": noisy.T @ g, "hidden": dh.T @ noisy, "lift": dh.sum(0), "out": h.T @ g, "bias": np.array([g.sum()])}
        rate = 0.02 * (0.5 + 0.5 * np.cos(np.pi * step / rounds))
        for k in w:
            grad = grads[k] + (decay * w[k] if k != "bias" else 0)
            m[k] = 0.9 * m[k] + 0.1 * grad
            v[k] = 0.99 * v[k] + 0.01 * grad ** 2
            w[k] = w[k] - rate / (1 - 0.9 ** step) * m[k] / (np.sqrt(v[k] / (1 - 0.99 ** step)) + 1e-8)
    return w


def report(p, right, single, what):
    loops, singles = p[single == 0], p[single == 1]
    print(f"{what}: {len(loops)} with a beat, {len(singles)} single sounds")
    for line in (0.05, 0.1, 0.2, 0.3, 0.4, 0.5, 0.6, 0.7):
        print(f"  under {line:.2f}: {np.mean(loops < line):.4f} of those with a beat; over it {np.mean(singles >= line):.4f} of single sounds")
    print("  sureness: n, mean, right")
    for low in np.arange(0, 1, 0.1):
        inside = (p >= low) & (p < low + 0.1 + (low > 0.85))
        if inside.any():
            print(f"  {inside.sum():6d} {p[inside].mean():.3f} {right[inside].mean():.3f}")


def write(path, nets, middle, scale):
    n = len(nets)

    hidden = np.concatenate([w["hidden"] for w in nets])
    with open(path, "w") as f:
        f.write("// Made by tools/fit_sureness.py: weights of how sure it is that there is a beat.\n// clang-format off\n#pragma once\n\n"
                "#include <array>\n#include <cstddef>\n\nnamespace hear {\n\n")
        f.write(f"inline constexpr std::size_t surenessHidden = {len(hidden)};\n")
        f.write(f"inline constexpr double surenessBias = {sum(float(w['bias'][0]) for w in nets) / n:.5g};\n")
        for name, values in (("Middle", middle), ("Scale", scale), ("Direct", sum(w["direct"] for w in nets) / n)):
            f.write(f"inline constexpr std::array<float, {len(values)}> sureness{name}{row(values)};\n")
        f.write(f"inline constexpr std::array<float, surenessHidden> surenessHiddenBias{row(np.concatenate([w['lift'] for w in nets]))};\n")
        f.write(f"inline constexpr std::array<float, surenessHidden> surenessOut{row(np.concatenate([w['out'] for w in nets]) / n)};\n")
        f.write(f"inline constexpr std::array<std::array<float, {hidden.shape[1]}>, surenessHidden> surenessHiddenWeights{{{{\n")
        for r in hidden:
            f.write("    " + row(r) + ",\n")
        f.write("}};\n\n} // namespace hear\n")


def main():
    parser = argparse.ArgumentParser()
    parser.add_argument("train", nargs="+")
    parser.add_argument("--test", nargs="*", default=[])
    parser.add_argument("--hidden", type=int, default=6)
    parser.add_argument("--nets", type=int, default=5)
    parser.add_argument("--rounds", type=int, default=500)
    parser.add_argument("--decay", type=float, default=1e-3)
    parser.add_argument("--out")
    a = parser.parse_args()
    parts = [load(p) for p in a.train]
    right, single, x = (np.concatenate([p[i] for p in parts]) for i in range(3))
    middle, scale = x.mean(0), x.std(0) + 1e-3

    def scaled(x):
        return np.clip((x - middle) / scale, -4, 4)

    nets = [fit(scaled(x), right, np.ones(len(x)), a.hidden, a.rounds, a.decay, seed) for seed in range(a.nets)]

    def sureness(x):
        return 1 / (1 + np.exp(-sum(logit(w, scaled(x)) for w in nets) / len(nets)))

    report(sureness(x), right, single, "fitted")
    for path in a.test:
        r, s, t = load(path)
        report(sureness(t), r, s, path)
    if a.out:
        write(a.out, nets, middle, scale)


if __name__ == "__main__":
    main()
