#!/usr/bin/env python3
"""Fits the weights that rank tempos (src/hear/pulse_weights.h), explanations of lengths (src/hear/loop_weights.h), bars
(src/hear/bar_weights.h), or families of halves and doubles (src/hear/kin_weights.h).

Reads what `bench_hearing --features FILE FOLDER` or `--lengths FILE FOLDER` wrote: for each recording its candidates
with their features, and the true tempo; of explanations, bars and families, one that is right has 1 for its tempo, and the truth is 1. The score of a candidate is a linear part plus one small hidden layer; the loss is the cross entropy of the
true tempo among the candidates, so that weights are honest shares of trust.

Needs: python3-numpy. Usage: tools/fit_pulse.py [--for pulse|length|bar|kin] TRAIN.bin [--test HELD.bin] [--hidden N] [--out FILE]
"""
import argparse
import struct

import numpy as np

FEATURES = 92
COUNTS = {"pulse": 92, "length": 52, "bar": 62, "kin": 61}  # pulseFeatures; LoopWay::figures; BarWay::figures; kinFigures


def load(path):
    data, at, pieces = open(path, "rb").read(), 0, []
    while at < len(data):
        name, count, truth = struct.unpack_from("<iif", data, at)
        at += 12
        block = np.frombuffer(data, "<f4", count * (FEATURES + 1), at).reshape(count, FEATURES + 1)
        at += block.nbytes
        if count:
            pieces.append((name, truth, block[:, 0].astype(float), block[:, 1:].astype(float)))
    return pieces


def scores(w, x):
    return x @ w["direct"] + np.tanh(x @ w["hidden"].T + w["bias"]) @ w["out"]


def report(w, pieces, what):
    right = octave = 0
    for _, truth, bpm, x in pieces:
        r = bpm[np.argmax(scores(w, x))] / truth
        right += abs(r - 1) < 0.04
        octave += min(abs(r / k - 1) for k in (0.5, 1, 2)) < 0.04
    print(f"{what}: {len(pieces)} recordings, octave right {right / len(pieces):.3f}, free {octave / len(pieces):.3f}")


def fit(pieces, hidden, rounds=250, decay=2e-3, seed=0):
    rng = np.random.default_rng(seed)
    x = np.concatenate([p[3] for p in pieces])
    mean, scale = x.mean(0), x.std(0) + 1e-3
    mean[-1], scale[-1] = 0, 1
    owner = np.concatenate([np.full(len(p[2]), i) for i, p in enumerate(pieces)])
    true = np.concatenate([np.abs(p[2] / p[1] - 1) < 0.02 for p in pieces]).astype(np.float32)
    starts = np.searchsorted(owner, np.arange(len(pieces)))
    keep = np.add.reduceat(true, starts) > 0
    if seed:  # each net but the first leaves out a quarter of the recordings
        keep = keep & (rng.random(len(pieces)) < 0.75)
    z = ((x - mean) / scale).astype(np.float32)
    bank = np.float32(0.08) * rng.standard_normal(z.shape, dtype=np.float32)
    w = {"direct": np.zeros(FEATURES), "hidden": rng.normal(0, 0.15, (hidden, FEATURES)), "bias": np.zeros(hidden),
         "out": rng.normal(0, 0.1, hidden)}
    w = {k: v.astype(np.float32) for k, v in w.items()}
    m = {k: np.zeros_like(v) for k, v in w.items()}
    v2 = {k: np.zeros_like(v) for k, v in w.items()}
    for step in range(1, rounds + 1):
        noise = z + np.roll(bank, int(rng.integers(len(bank))), 0)
        h = np.tanh(noise @ w["hidden"].T + w["bias"])
        s = noise @ w["direct"] + h @ w["out"]
        s -= np.maximum.reduceat(s, starts)[owner]
        e = np.exp(s)
        p = e / np.add.reduceat(e, starts)[owner]
        q = e * true
        total = np.add.reduceat(q, starts)[owner]
        q = np.where(total > 0, q / np.maximum(total, 1e-12), p)
        g = ((p - q) * keep[owner] / keep.sum()).astype(np.float32)
        dh = np.outer(g, w["out"]) * (1 - h * h)
        grads = {"direct": noise.T @ g, "hidden": dh.T @ noise, "bias": dh.sum(0), "out": h.T @ g}
        for k in w:
            grads[k] = grads[k] + np.float32(decay) * w[k]
            m[k] = 0.9 * m[k] + 0.1 * grads[k]
            v2[k] = 0.99 * v2[k] + 0.01 * grads[k] ** 2
            rate = np.float32(0.02 * (0.5 + 0.5 * np.cos(np.pi * step / rounds)))
            w[k] = w[k] - rate * np.float32(1 / (1 - 0.9 ** step)) * m[k] / (np.sqrt(v2[k] / np.float32(1 - 0.99 ** step)) + np.float32(1e-8))
    w = {k: v.astype(float) for k, v in w.items()}
    # Fold the scaling in, so that the program needs none.
    out = {"direct": w["direct"] / scale, "hidden": w["hidden"] / scale, "out": w["out"]}
    out["bias"] = w["bias"] - out["hidden"] @ mean
    return out


def together(nets):
    """Several nets as one: their scores averaged."""
    n = len(nets)
    return {"direct": sum(w["direct"] for w in nets) / n, "hidden": np.concatenate([w["hidden"] for w in nets]),
            "bias": np.concatenate([w["bias"] for w in nets]), "out": np.concatenate([w["out"] for w in nets]) / n}


NAMES = {"pulse": ("the ranking of tempos", "pulseHidden", "hiddenBias", "hiddenWeights", "outputWeights", "directWeights"),
         "length": ("the ranking of explanations of lengths", "loopHidden", "loopHiddenBias", "loopHiddenWeights", "loopOutputWeights", "loopDirectWeights"),
         "kin": ("the choice between families of tempos", "kinHidden", "kinHiddenBias", "kinHiddenWeights", "kinOutputWeights", "kinDirectWeights"),
         "bar": ("the ranking of bars", "barHidden", "barHiddenBias", "barHiddenWeights", "barOutputWeights", "barDirectWeights")}


def row(values):
    """Numbers as a list of the program's."""
    return "{" + ", ".join(f"{v:.4g}F" if ("." in f"{v:.4g}" or "e" in f"{v:.4g}") else f"{v:.4g}.0F" for v in values) + "}"


def write(w, path, hidden, what):
    title, count, bias, weights, out, direct = NAMES[what]

    with open(path, "w") as f:
        f.write(f"// Made by tools/fit_pulse.py: weights of {title}.\n// clang-format off\n#pragma once\n\n"
                "#include <array>\n#include <cstddef>\n\nnamespace hear {\n\n")
        f.write(f"inline constexpr std::size_t {count} = {hidden};\n")
        f.write(f"inline constexpr std::array<float, {count}> {bias}{row(w['bias'])};\n")
        f.write(f"inline constexpr std::array<std::array<float, {FEATURES}>, {count}> {weights}{{{{\n")
        for r in w["hidden"]:
            f.write("    " + row(r) + ",\n")
        f.write("}};\n")
        f.write(f"inline constexpr std::array<float, {count}> {out}{row(w['out'])};\n")
        f.write(f"inline constexpr std::array<float, {FEATURES}> {direct}{row(w['direct'])};\n\n}} // namespace hear\n")


def main():
    parser = argparse.ArgumentParser()
    parser.add_argument("train", nargs="+")
    parser.add_argument("--test")
    parser.add_argument("--hidden", type=int, default=8)
    parser.add_argument("--nets", type=int, default=1)
    parser.add_argument("--rounds", type=int, default=250)
    parser.add_argument("--decay", type=float, default=2e-3)
    parser.add_argument("--out")
    parser.add_argument("--for", dest="what", choices=list(COUNTS), default="pulse")
    a = parser.parse_args()
    global FEATURES
    FEATURES = COUNTS[a.what]
    train = [p for path in a.train for p in load(path)]
    w = together([fit(train, a.hidden, a.rounds, a.decay, seed) for seed in range(a.nets)])
    report(w, train, "fitted")
    if a.test:
        report(w, load(a.test), "held out")
    if a.out:
        write(w, a.out, a.hidden * a.nets, a.what)


if __name__ == "__main__":
    main()
