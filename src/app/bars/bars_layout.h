// Where things are on the page Bars: from beats and tracks to pixels and back.
#pragma once

#include "project/laid.h"

#include <QRectF>
#include <vector>

namespace app {

using metre::Beats;

// All in pixels of the page's viewport. From the top: the overview, the ruler, the lanes where they are not folded,
// the tracks.
struct BarsLayout {
    static constexpr int headers = 148; // width of the track headers
    static constexpr int overview = 9;
    static constexpr int ruler = overview + 28; // where it ends
    static constexpr int sections = 20;
    static constexpr int tempo = 36;
    static constexpr int metre = 20;
    static constexpr int heights[] = {36, 58, 98};
    static constexpr int title = 15; // of a clip

    double perBeat = 25; // pixels
    double leftBeat = 0; // the beat at the right edge of the headers
    int scrollY = 0;
    bool lanes = false;    // open; else one line of the sections, and of what holds all along
    std::vector<int> tops; // of each track from the first one's, and where the last ends

    int top() const { return ruler + sections + (lanes ? tempo + metre : 0); }
    QRect sectionsLane(int width) const { return {headers, ruler, width - headers, sections}; }
    QRect sectionsHead() const { return {0, ruler, headers, sections}; }
    // Empty while the lanes are folded.
    QRect tempoLane(int width) const { return lane(ruler + sections, tempo, width); }
    QRect metreLane(int width) const { return lane(ruler + sections + tempo, metre, width); }

    double x(Beats b) const { return headers + (b.value - leftBeat) * perBeat; }
    Beats beat(double px) const { return Beats(leftBeat + (px - headers) / perBeat); }
    int y(std::size_t trackIndex) const { return top() + offset(trackIndex) - scrollY; }
    int heightOf(std::size_t trackIndex) const {
        return trackIndex + 1 < tops.size() ? tops[trackIndex + 1] - tops[trackIndex] : heights[1];
    }
    int allTracks() const { return tops.empty() ? 0 : tops.back(); }
    // Below the last track it is the number of tracks; above the first, nothing.
    std::optional<std::size_t> trackAt(double py, std::size_t tracks) const {
        if (py < top()) return std::nullopt;
        const auto after = std::upper_bound(tops.begin(), tops.end(), static_cast<int>(py) - top() + scrollY);
        if (after == tops.begin()) return std::nullopt;
        return std::min(static_cast<std::size_t>(after - tops.begin()) - 1, tracks);
    }
    QRectF clip(const project::LaidClip& c) const {
        const double left = x(c.time().start);
        return {left, double(y(c.trackIndex)) + 2, x(c.time().end) - left, double(heightOf(c.trackIndex)) - 5};
    }
    void take(const project::Project& p) {
        tops.assign(1, 0);
        for (const project::TrackPtr& t : p.tracks)
            tops.push_back(tops.back() + heights[std::clamp(p.view.heightOf(t->id), 0, 2)]);
    }

  private:
    int offset(std::size_t trackIndex) const {
        if (trackIndex < tops.size()) return tops[trackIndex];
        return allTracks() + static_cast<int>(trackIndex + 1 - tops.size()) * heights[1];
    }
    QRect lane(int at, int height, int width) const {
        return lanes ? QRect(headers, at, width - headers, height) : QRect();
    }
};

} // namespace app
