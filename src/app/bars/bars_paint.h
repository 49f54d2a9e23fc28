// Drawing the page Bars. Reads the document and the layout; keeps nothing.
#pragma once

#include "app/bars/bars_heads.h"
#include "app/bars/bars_layout.h"
#include "app/bars/bars_titles.h"
#include "app/bars/bars_waves.h"
#include "app/session/session.h"

#include <QPainter>
#include <QStringList>
#include <unordered_set>

namespace app {

// What is under the hand while dragging, drawn over the page.
struct BarsDrag {
    Beats by;       // clips move by this
    int tracks = 0; // and by so many tracks
    bool moving = false;
    bool copying = false;
    std::optional<QRectF> band;   // rubber band
    std::optional<Beats> landing; // where a drop would land
    std::size_t landingTrack = 0;
    std::optional<QRectF> ghost;           // of what a clip, or a part of one, becomes
    std::optional<std::size_t> trackLands; // a track that is dragged comes before that one
    QPointF pointer;
    QString result; // beside the pointer: what release would do, a line or two
};

// What is selected in the lanes over the bars.
struct LanePick {
    enum class What { Nothing, TempoPoint, TempoRange, Section, Metre, Key };
    What what = What::Nothing;
    Beats at;
    Beats to; // of a range
    bool operator==(const LanePick&) const = default;
};

// A meter's level in decibels, its highest of late, and whether it was over full scale.
struct TrackLevel {
    double shown = -120;
    double highest = -120;
    int hold = 0; // ticks
    bool over = false;
};

struct BarsScene {
    Session& session;
    const BarsLayout& layout;
    QSize size;
    const BarsDrag& drag;
    Beats playPosition;
    bool isStrong; // keys and commands act on the play position, and not on the Bench's own line
    std::unordered_set<std::int64_t> selected; // clips
    LanePick picked;
    const std::vector<TrackLevel>& levels; // of the tracks
    WaveCache& waves;
    TitleCache& titles;
    std::optional<project::ClipId> under; // under the pointer: its handles are shown
};

void paintBars(QPainter& p, const BarsScene& scene, const QRect& dirty);
// The head of a track.
void paintHeader(QPainter& p, const BarsScene& scene, std::size_t index, const QRect& dirty);
// The lines of beats and bars within an area of the page.
void paintGrid(QPainter& p, const BarsScene& scene, const QRect& area);
void paintRuler(QPainter& p, const BarsScene& scene, const QRect& dirty);
// The lanes over the bars: sections, tempo, metre and key.
void paintLanes(QPainter& p, const BarsScene& scene);
void paintOverview(QPainter& p, const BarsScene& scene);
// Grip of a fade: at its end along the top of the waveform.
QPointF fadeGrip(const BarsScene& scene, const project::LaidClip& clip, project::Side side);
QPointF fadeGrip(const BarsLayout& layout, const project::Project& p, const project::LaidClip& clip,
                 project::Side side);
// Where a beat stands in the overview of a page so wide.
double overviewX(Session& session, int width, Beats at);
// Where a tempo stands in its lane.
double tempoY(const BarsLayout& layout, const metre::TempoMap& map, Bpm bpm);

} // namespace app
