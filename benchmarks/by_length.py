#!/usr/bin/env python3
"""What reading and fitting cost by the length of a recording: the same loop for 10 s up to three hours.

    benchmarks/by_length.py [PMETRE] [--minutes 0.17,1,10,30,90,180]

Prints seconds of CPU, those a minute of audio as a ratio to the one-minute file's, and the most memory that was taken,
of `pmetre read` and of `pmetre fit` (struck, from 112 to 104 BPM, 24 bits). Needs sox, and 4 GB of disk for three hours.
"""
import argparse
import os
import subprocess
import tempfile


def measured(command):
    """Runs it; (seconds of CPU, MB at most)."""
    child = subprocess.Popen(command, stdout=subprocess.DEVNULL)
    _, status, used = os.wait4(child.pid, 0)
    if status != 0:
        raise SystemExit(f"{' '.join(command)} failed")
    return used.ru_utime + used.ru_stime, used.ru_maxrss / 1024


def main():
    parser = argparse.ArgumentParser(description=__doc__, formatter_class=argparse.RawDescriptionHelpFormatter)
    parser.add_argument("pmetre", nargs="?", default="build/release/src/pmetre")
    parser.add_argument("--minutes", default="0.17,1,10,30,90,180")
    args = parser.parse_args()
    demo = os.path.join(os.path.dirname(__file__), "../demo/canal_journey/audio/winch_hands_112bpm.wav")
    rows = []
    with tempfile.TemporaryDirectory() as folder:
        loop = os.path.join(folder, "loop.wav")
        subprocess.run(["sox", demo, "-c", "2", "-b", "16", loop], check=True)
        seconds = float(subprocess.run(["soxi", "-D", loop], check=True, capture_output=True, text=True).stdout)
        for minutes in [float(m) for m in args.minutes.split(",")]:
            file = os.path.join(folder, "long.wav")
            out = os.path.join(folder, "out.wav")
            times = max(0, round(minutes * 60 / seconds) - 1)
            subprocess.run(["sox", loop, file, "repeat", str(times)], check=True)
            minutes = (times + 1) * seconds / 60
            read = measured([args.pmetre, "read", "--ignore-name", "--ignore-tags", "--quiet", file])
            fit = measured([args.pmetre, "fit", file, out, "--from", "112", "--to", "104", "--style", "struck",
                            "--depth", "24", "--quiet"])
            rows.append((minutes, read, fit))
            os.remove(file)
            os.remove(out)
    one = min(rows, key=lambda row: abs(row[0] - 1))
    print(f"{'minutes':>8} {'read s':>8} {'ratio':>6} {'MB':>5}   {'fit s':>8} {'ratio':>6} {'MB':>5}")
    for minutes, read, fit in rows:
        each = [(cpu, cpu / minutes / (one[k][0] / one[0]), mb) for k, (cpu, mb) in ((1, read), (2, fit))]
        print(f"{minutes:8.2f} " + "   ".join(f"{cpu:8.2f} {ratio:6.2f} {mb:5.0f}" for cpu, ratio, mb in each))


if __name__ == "__main__":
    main()
