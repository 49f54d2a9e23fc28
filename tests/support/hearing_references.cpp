#include "support/hearing_references.h"

#include <algorithm>
#include <aubio/aubio.h>
#include <cmath>
#include <dsp/keydetection/GetKeyMode.h>
#include <dsp/onsets/DetectionFunction.h>
#include <dsp/tempotracking/TempoTrackV2.h>
#include <soundtouch/BPMDetect.h>

namespace reference {

namespace {

std::vector<float> repeated(const sound::Audio& audio) {
    std::vector<float> mono(audio.channels[0].size(), 0.0F);
    for (const auto& channel : audio.channels)
        for (std::size_t i = 0; i < mono.size(); ++i)
            mono[i] += channel[i] / static_cast<float>(audio.channels.size());
    const std::size_t once = mono.size();
    const auto wanted = static_cast<std::size_t>(20) * static_cast<std::size_t>(audio.rate);
    while (mono.size() < wanted && once > 0)
        mono.insert(mono.end(), mono.begin(), mono.begin() + static_cast<std::ptrdiff_t>(once));
    return mono;
}

double medianTempo(const std::vector<double>& beats) {
    std::vector<double> gaps;
    for (std::size_t i = 1; i < beats.size(); ++i)
        gaps.push_back(beats[i] - beats[i - 1]);
    if (gaps.empty()) return 0;
    std::nth_element(gaps.begin(), gaps.begin() + static_cast<std::ptrdiff_t>(gaps.size() / 2), gaps.end());
    return 60 / gaps[gaps.size() / 2];
}

// qm-dsp's complex spectral difference, as it is used by those who use it.
DFConfig spectralDifference(int step, int frame) {
    DFConfig config{};
    config.stepSize = step;
    config.frameLength = frame;
    config.DFType = DF_COMPLEXSD;
    config.dbRise = 3;
    config.adaptiveWhitening = false;
    config.whiteningRelaxCoeff = -1;
    config.whiteningFloor = -1;
    return config;
}

} // namespace

Answer aubio(const sound::Audio& audio) {
    Answer out;
    const std::vector<float> mono = repeated(audio);
    constexpr uint_t window = 1024;
    constexpr uint_t hop = 256;
    aubio_tempo_t* tempo = new_aubio_tempo("default", window, hop, static_cast<uint_t>(audio.rate));
    fvec_t* in = new_fvec(hop);
    fvec_t* beat = new_fvec(2);
    for (std::size_t at = 0; at + hop <= mono.size(); at += hop) {
        std::copy_n(mono.begin() + static_cast<std::ptrdiff_t>(at), hop, in->data);
        aubio_tempo_do(tempo, in, beat);
        if (beat->data[0] != 0) out.beats.push_back(static_cast<double>(aubio_tempo_get_last_s(tempo)));
    }
    out.bpm = static_cast<double>(aubio_tempo_get_bpm(tempo));
    del_fvec(beat);
    del_fvec(in);
    del_aubio_tempo(tempo);
    return out;
}

Answer qmDsp(const sound::Audio& audio) {
    Answer out;
    const std::vector<float> mono = repeated(audio);
    const DFConfig config = spectralDifference(512, 1024);
    DetectionFunction detection(config);
    std::vector<double> frame(config.frameLength);
    std::vector<double> curve;
    for (std::size_t at = 0; at + config.frameLength <= mono.size(); at += config.stepSize) {
        std::copy_n(mono.begin() + static_cast<std::ptrdiff_t>(at), frame.size(), frame.begin());
        curve.push_back(detection.processTimeDomain(frame.data()));
    }
    if (curve.size() > 4) {
        curve.erase(curve.begin(), curve.begin() + 2);
        std::vector<double> period(curve.size(), 0);
        std::vector<double> tempi;
        std::vector<double> beats;
        TempoTrackV2 tracker(static_cast<float>(audio.rate), config.stepSize);
        tracker.calculateBeatPeriod(curve, period, tempi);
        tracker.calculateBeats(curve, period, beats);
        for (const double b : beats)
            out.beats.push_back((b + 2.5) * config.stepSize / audio.rate);
        out.bpm = medianTempo(out.beats);
        // The mean over all beats is finer than one step.
        if (out.beats.size() > 4)
            out.bpm = 60 * double(out.beats.size() - 1) / (out.beats.back() - out.beats.front());
    }
    GetKeyMode keyMode(audio.rate, 440, 10, 10);
    const std::size_t block = keyMode.getBlockSize();
    std::vector<double> piece(block);
    std::vector<int> votes(25, 0);
    for (std::size_t at = 0; at + block <= mono.size(); at += keyMode.getHopSize()) {
        std::copy_n(mono.begin() + static_cast<std::ptrdiff_t>(at), block, piece.begin());
        const int key = keyMode.process(piece.data());
        if (key >= 1 && key <= 24) ++votes[static_cast<std::size_t>(key)];
    }
    const auto best = std::max_element(votes.begin() + 1, votes.end());
    if (*best > 0) out.key = static_cast<int>(best - votes.begin()) - 1;
    return out;
}

Answer soundTouch(const sound::Audio& audio) {
    Answer out;
    const std::vector<float> mono = repeated(audio);
    soundtouch::BPMDetect detect(1, audio.rate);
    constexpr std::size_t block = 4096;
    for (std::size_t at = 0; at + block <= mono.size(); at += block)
        detect.inputSamples(mono.data() + at, static_cast<int>(block));
    out.bpm = static_cast<double>(detect.getBpm());
    return out;
}

std::vector<double> qmDspOnsets(const sound::Audio& audio) {
    const DFConfig config = spectralDifference(128, 512);
    DetectionFunction detection(config);
    const auto& samples = audio.channels.front();
    std::vector<double> frame(config.frameLength);
    std::vector<double> curve;
    for (std::size_t at = 0; at + frame.size() <= samples.size(); at += static_cast<std::size_t>(config.stepSize)) {
        std::copy_n(samples.begin() + static_cast<std::ptrdiff_t>(at), frame.size(), frame.begin());
        curve.push_back(detection.processTimeDomain(frame.data()));
    }
    // Peaks above a fifth of the highest, 40 ms apart; the parabola through three values says where between steps.
    std::vector<double> list;
    if (curve.size() < 3) return list;
    const double least = 0.2 * *std::max_element(curve.begin() + 2, curve.end());
    const double step = double(config.stepSize) / audio.rate;
    double last = -1;
    for (std::size_t i = 3; i + 1 < curve.size(); ++i) {
        if (curve[i] < least || curve[i] < curve[i - 1] || curve[i] <= curve[i + 1]) continue;
        const double bend = curve[i - 1] - 2 * curve[i] + curve[i + 1];
        const double between = bend < 0 ? 0.5 * (curve[i - 1] - curve[i + 1]) / bend : 0;
        const double at = (double(i) + between) * step;
        if (at - last > 0.04) list.push_back(at);
        last = at;
    }
    return list;
}

std::vector<double> aubioOnsets(const sound::Audio& audio) {
    constexpr uint_t window = 512;
    constexpr uint_t hop = 64;
    aubio_onset_t* onset = new_aubio_onset("hfc", window, hop, static_cast<uint_t>(audio.rate));
    aubio_onset_set_minioi_ms(onset, 40);
    fvec_t* in = new_fvec(hop);
    fvec_t* out = new_fvec(1);
    std::vector<double> list;
    const auto& samples = audio.channels.front();
    for (std::size_t at = 0; at + hop <= samples.size(); at += hop) {
        for (uint_t i = 0; i < hop; ++i)
            in->data[i] = samples[at + i];
        aubio_onset_do(onset, in, out);
        if (out->data[0] > 0) list.push_back(double(aubio_onset_get_last_s(onset)));
    }
    del_aubio_onset(onset);
    del_fvec(in);
    del_fvec(out);
    return list;
}

} // namespace reference
