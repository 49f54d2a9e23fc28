#!/usr/bin/env python3
"""Fits the weights that name key and kind (src/hear/key_weights.h, src/hear/kind_weights.h) to a listening set.

Reads what `bench_hearing --figures FILE FOLDER` wrote, a line a recording. The key's weights are profiles over the
twelve tones above a root, for the whole, the bass, the beginning and the evened-out whole, in major and in minor; the
kind's are a softmax over the figures of a recording and their products.

Needs: python3-numpy. Usage: tools/fit_key_kind.py TRAIN.txt... --test HELD.txt --out FOLDER
"""
import argparse

import numpy as np

KINDS = {"drums": 0, "bass": 1, "chords": 2, "arpeggio": 2, "guitar": 2, "pad": 3, "voice": 4, "mix": 5, "song": 5}


def lines(paths):
    return [line.split() for path in paths for line in open(path)]


def keys(rows):
    rows = [r for r in rows if int(r[3]) >= 0 and sum(float(x) for x in r[4:40]) > 0.5]
    return np.array([[float(x) for x in r[4:40]] for r in rows]), np.array([int(r[3]) for r in rows])


def turned(x):
    a = x.reshape(len(x), 3, 12)
    a = np.concatenate([a, np.sqrt(a[:, :1])], 1)
    out = np.zeros((len(x), 24, 97))
    for k in range(24):
        out[:, k, (0 if k < 12 else 48):(48 if k < 12 else 96)] = np.roll(a, -(k % 12), axis=2).reshape(len(x), 48)
        out[:, k, 96] = k >= 12
    return out


def kinds(rows):
    rows = [r for r in rows if r[1] in KINDS]
    x = np.array([[float(v) for v in r[41:50]] + [float(r[40])] for r in rows])
    x[:, 8] = np.log2(0.3 + x[:, 8])
    return x, np.array([KINDS[r[1]] for r in rows])


def products(z):
    n = z.shape[1]
    return np.concatenate([z] + [z[:, [i]] * z[:, i:] for i in range(n)] + [np.ones((len(z), 1))], 1)


def descend(gradient, shape, rate, decay, rounds=400):
    w, m, v = np.zeros(shape), np.zeros(shape), np.zeros(shape)
    for s in range(1, rounds + 1):
        g = gradient(w) + decay * w
        m, v = 0.9 * m + 0.1 * g, 0.99 * v + 0.01 * g * g
        w -= rate * (1 - s / (rounds + 1)) * (m / (1 - 0.9 ** s)) / (np.sqrt(v / (1 - 0.99 ** s)) + 1e-8)
    return w


def softmax(z):
    e = np.exp(z - z.max(1, keepdims=True))
    return e / e.sum(1, keepdims=True)


def number(v):
    text = f"{v:.4g}"
    return text + ("F" if "." in text or "e" in text else ".0F")


def table(name, values):
    return f"inline constexpr std::array<float, {len(values)}> {name}{{" + ", ".join(map(number, values)) + "};\n"


HEAD = "// Made by tools/fit_key_kind.py.\n// clang-format off\n#pragma once\n\n#include <array>\n\nnamespace hear {\n\n"
FOOT = "\n} // namespace hear\n"


def main():
    parser = argparse.ArgumentParser()
    parser.add_argument("train", nargs="+")
    parser.add_argument("--test", required=True)
    parser.add_argument("--out")
    a = parser.parse_args()
    train, held = lines(a.train), lines([a.test])

    x, y = keys(train)
    f = turned(x)

    def key_gradient(w):
        p = softmax(f @ w)
        p[np.arange(len(y)), y] -= 1
        return np.einsum("nk,nkd->d", p, f) / len(y)

    w = descend(key_gradient, 97, 0.15, 1e-4)
    hx, hy = keys(held)
    print(f"key: fitted {((f @ w).argmax(1) == y).mean():.3f}, held out {((turned(hx) @ w).argmax(1) == hy).mean():.3f}")

    x, y = kinds(train)
    middle, scale = x.mean(0), x.std(0) + 1e-6
    g = products((x - middle) / scale)

    def kind_gradient(v):
        p = softmax(g @ v)
        p[np.arange(len(y)), y] -= 1
        return g.T @ p / len(y)

    v = descend(kind_gradient, (g.shape[1], 6), 0.05, 1e-3)
    hx, hy = kinds(held)
    print(f"kind: fitted {((g @ v).argmax(1) == y).mean():.3f}, "
          f"held out {((products((hx - middle) / scale) @ v).argmax(1) == hy).mean():.3f}")
    if a.out:
        with open(f"{a.out}/key_weights.h", "w") as file:
            file.write(HEAD + table("majorWeights", w[:48]) + table("minorWeights", w[48:96]) +
                       f"inline constexpr float minorBias = {number(w[96])};\n" + FOOT)
        with open(f"{a.out}/kind_weights.h", "w") as file:
            file.write(HEAD + table("kindMiddle", middle) + table("kindScale", scale))
            file.write("inline constexpr std::array<std::array<float, 6>, 66> kindWeights{{\n")
            for row in v:
                file.write("    {" + ", ".join(map(number, row)) + "},\n")
            file.write("}};\n" + FOOT)


if __name__ == "__main__":
    main()
