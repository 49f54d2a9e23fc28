#include "project/view.h"

#include "project/changed.h"

#include <algorithm>

namespace project {

Result<View> setClickGain(const View& view, double db) {
    if (auto fits = within(db, quietestDb, loudestDb, "A gain", "dB"); !fits) return tl::unexpected(fits.error());
    View out = view;
    out.clickDb = db;
    return out;
}

Result<View> setOutputGain(const View& view, double db) {
    if (auto fits = within(db, quietestDb, loudestDb, "A gain", "dB"); !fits) return tl::unexpected(fits.error());
    View out = view;
    out.outputDb = db;
    return out;
}

Result<View> setCountIn(const View& view, int bars) {
    if (bars < 0 || bars > mostCountIn) return base::problem("A count-in has up to 4 bars.");
    View out = view;
    out.countIn = bars;
    return out;
}

View setTrackHeights(const View& view, const std::vector<TrackId>& tracks, int height) {
    View out = view;
    const int fits = std::clamp(height, 0, 2);
    std::erase_if(out.heights, [&](const TrackHeight& h) {
        return std::find(tracks.begin(), tracks.end(), h.track) != tracks.end();
    });
    if (fits == TrackHeight().height) return out;
    for (const TrackId track : tracks)
        out.heights.push_back({track, fits});
    return out;
}

} // namespace project
