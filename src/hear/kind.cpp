#include "hear/kind.h"

#include "hear/kind_weights.h"

#include <algorithm>
#include <array>
#include <cmath>

namespace hear {

namespace {

constexpr std::array<const char*, 8> labels = {"struck", "bass", "keys",    "held",
                                               "voice",  "mix",  "one hit", "no beat"};
constexpr std::array<const char*, 8> words = {"struck", "bass", "keys",    "held",
                                              "voice",  "mix",  "one-hit", "no-beat"};

} // namespace

const char* kindLabel(Kind k) {
    return labels[static_cast<std::size_t>(k)];
}
const char* kindWord(Kind k) {
    return words[static_cast<std::size_t>(k)];
}

std::optional<Kind> kindFromWord(const std::string& word) {
    for (std::size_t i = 0; i < words.size(); ++i)
        if (word == words[i]) return static_cast<Kind>(i);
    return std::nullopt;
}

namespace {

// The share of a moment's loudness that lies on the lowest of its strong pitches and on its overtones.
double explainedByOne(const Profile& bands, float strongest) {
    constexpr std::array<int, 10> overtones = {0, 12, 19, 24, 28, 31, 34, 36, 38, 40};
    const auto size = static_cast<int>(bands.size());
    int root = 0;
    while (bands[static_cast<std::size_t>(root)] < 0.35F * strongest)
        ++root;
    double all = 1e-9;
    for (const float b : bands)
        all += b;
    double one = 0;
    int last = -1; // no band counts twice
    for (const int overtone : overtones)
        for (int b = std::max(last + 1, root + overtone - 1); b <= std::min(size - 1, root + overtone + 1); ++b) {
            one += bands[static_cast<std::size_t>(b)];
            last = b;
        }
    return one / all;
}

// How it begins and moves: what the curves of strength say of it. False where nothing lies in the span.
bool colourMoves(Colour& out, const Strength& s, const std::vector<Event>& events, const Span& span) {
    double flux = 0;
    double highRise = 0;
    double change = 0;
    float greatest = 0;
    std::vector<float> levels;
    for (std::size_t h = 0; h < s.size(); ++h) {
        if (s.seconds(h) < span.start || s.seconds(h) > span.end) continue;
        flux += s.flux[h];
        highRise += s.high[h];
        change += s.change[h];
        greatest = std::max(greatest, s.flux[h]);
        levels.push_back(s.level[h]);
    }
    if (levels.empty()) return false;
    const auto n = static_cast<double>(levels.size());
    std::sort(levels.begin(), levels.end());
    const double loud = levels[static_cast<std::size_t>(n * 0.95)];
    out.sustain = levels[levels.size() / 2] / std::max(1e-6, loud);
    out.high = highRise / std::max(1e-9, flux);
    out.attack = std::log2(1 + greatest / std::max(1e-9, flux / n));
    out.moving = change / n;
    out.perSecond = double(events.size()) / std::max(0.2, span.end - span.start);
    return true;
}

// How low, how steady and how many its pitches are.
void colourPitches(Colour& out, const Pitches& pitches) {
    double low = 0;
    double whole = 0;
    double lines = 0;
    double moments = 0;
    double steady = 0;
    double alone = 0;
    double lowest = 0;
    double lowestOf = 0;
    float loudest = 1e-6F;
    Profiles::Walk walk(pitches.loudness);
    for (std::size_t h = 0; h < pitches.loudness.size(); ++h) {
        walk.stand(h);
        loudest = std::max(loudest, *std::max_element(walk[h].begin(), walk[h].end()));
    }
    for (std::size_t h = 1; h + 1 < pitches.loudness.size(); ++h) {
        walk.stand(h);
        const auto& bands = walk[h];
        const float strongest = *std::max_element(bands.begin(), bands.end());
        if (strongest < loudest * 0.15F) continue;
        moments += 1;
        alone += explainedByOne(bands, strongest);
        bool first = true;
        for (std::size_t b = 0; b < bands.size(); ++b) {
            whole += bands[b];
            if (b + Pitches::lowest < 54) low += bands[b];
            const float held = std::min({walk[h - 1][b], bands[b], walk[h + 1][b]});
            steady += held;
            if (held < strongest * 0.3F) continue;
            lines += 1;
            if (first && held > strongest * 0.4F) {
                lowest += double(b) + Pitches::lowest;
                lowestOf += 1;
                first = false;
            }
        }
    }
    if (moments > 0) {
        out.low = low / std::max(1e-9, whole);
        out.pitched = steady / std::max(1e-9, whole);
        out.lines = lines / moments;
        out.alone = alone / moments;
    }
    if (lowestOf > 0) out.lowest = lowest / lowestOf;
}

} // namespace

Colour colourOf(const Curves& c, const std::vector<Event>& events, const Span& span, double tonal) {
    Colour out;
    out.tonal = tonal;
    if (colourMoves(out, c.strength, events, span)) colourPitches(out, c.pitches);
    return out;
}

namespace {

// One line of long notes that glide. The set that the weights were fitted to has no such voices; these lines were
// set by voices of tools/singer.py, of which seven in ten lie above them, and by plucked lines, of which one in
// thirty does.
bool singsAlone(const Colour& c) {
    return c.alone > 0.8 && c.moving > 0.06 && c.sustain > 0.35 && c.perSecond < 4.7;
}

} // namespace

Kind kindOf(const Colour& c) {
    std::array<double, 10> figures = {
        c.low,  c.high, c.pitched, c.attack, c.sustain, c.lines, c.lowest, c.moving, std::log2(0.3 + c.perSecond),
        c.tonal};
    for (std::size_t i = 0; i < figures.size(); ++i)
        figures[i] = std::clamp((figures[i] - double(kindMiddle[i])) / double(kindScale[i]), -4.0, 4.0);
    std::array<double, 6> scores{};
    std::size_t row = 0;
    const auto add = [&](double x) {
        for (std::size_t k = 0; k < scores.size(); ++k)
            scores[k] += double(kindWeights[row][k]) * x;
        ++row;
    };
    for (const double f : figures)
        add(f);
    for (std::size_t i = 0; i < figures.size(); ++i)
        for (std::size_t j = i; j < figures.size(); ++j)
            add(figures[i] * figures[j]);
    add(1);
    const auto kind = static_cast<Kind>(std::max_element(scores.begin(), scores.end()) - scores.begin());
    return kind != Kind::Struck && kind != Kind::Bass && singsAlone(c) ? Kind::Voice : kind;
}

namespace {

std::size_t hopAt(const Strength& s, double t) {
    return static_cast<std::size_t>(std::clamp(t / s.hop, 0.0, double(s.size() - 1)));
}

// Whether what sounds at the beginning is all but gone at the end.
bool diesAway(const Strength& s, const Span& span) {
    const auto loudest = [&](double from, double to) {
        float most = 0;
        for (std::size_t h = hopAt(s, from); h <= hopAt(s, to); ++h)
            most = std::max(most, s.level[h]);
        return most;
    };
    const float early = loudest(span.start, span.start + 0.4);
    const float late = loudest(std::max(span.start + 0.4, span.end - 0.3 * (span.end - span.start)), span.end);
    return span.end - span.start < 0.4 || late < 0.4F * early;
}

} // namespace

Kind silentKind(const Strength& s, const Colour& colour, const std::vector<Event>& events, const Span& span) {
    if (s.level.empty()) return Kind::NoBeat;
    const bool begins = !events.empty() && events.front().at < span.start + 0.1;
    if (begins && diesAway(s, span)) return Kind::OneHit;
    return singsAlone(colour) ? Kind::Voice : Kind::NoBeat;
}

Later laterOf(const Strength& s, const Span& span) {
    Later most;
    for (std::size_t h = 0; h < s.size(); ++h)
        if (s.seconds(h) > span.start + 0.2 && s.seconds(h) < span.file - 0.15) {
            most.rise = std::max(most.rise, double(s.flux[h]));
            most.change = std::max(most.change, double(s.change[h]));
            most.turn = std::max(most.turn, double(s.turn[h]));
        }
    return most;
}

std::optional<Kind> withoutBeat(const Strength& s, const Colour& colour, const std::vector<Event>& events,
                                const Span& span) {
    if (s.level.empty()) return Kind::NoBeat;
    // Nothing happens once it sounds: a drone, a hum; or one chord that wavers, as choruses make it: it rises a
    // little all the time. What dies away may seem to turn while it does.
    const auto attacks = std::count_if(events.begin(), events.end(), [&](const Event& e) {
        return e.attack && e.at > span.start + 0.15 && e.at < span.file - 0.1;
    });
    const Later most = laterOf(s, span);
    const bool turns = most.turn >= double(quietestTurn) && (attacks > 0 || !diesAway(s, span));
    const bool nothing = !turns && most.rise < 0.03 && most.change < 0.1;
    // Noise: crowded with pitches that come and go, and no attack.
    const bool crowded = colour.lines > 24 || (colour.lines > 12 && colour.moving > 0.15);
    const bool noise =
        crowded && double(attacks) <= 1 + 0.05 * (span.end - span.start) && most.rise < 0.12 && most.change < 0.2;
    if (nothing || noise) return silentKind(s, colour, events, span);
    if (events.size() < 2) return Kind::NoBeat;
    return std::nullopt;
}

} // namespace hear
