// How the rails are drawn.
#pragma once

#include "app/bench/rails_layout.h"
#include "app/bench/rails_scene.h"
#include "play/player.h"
#include "prove/proof.h"

#include <QColor>
#include <QString>
#include <memory>
#include <optional>
#include <vector>

class QPainter;

namespace app {

// The marks that are shown: those that were set; else from the first downbeat to the end of the beats.
project::Marks shownMarks(const project::Source& source);
// Beats count from 1, as people do; those before the first downbeat from −1 back.
QString beatNumber(Beats beat);
// "4.2 ms late of 5 · 2 · 48"
QString missText(const RailsScene::Miss& miss, const project::Project& project);

// All that does not move while it plays.
struct StillRails {
    const RailsScene& scene;
    const RailsLayout& layout;
    project::Marks marks;
    const std::vector<Beats>& picked; // in order
    const std::optional<metre::BeatMap>& tried;
    EyeGrid grid;
    const play::Player& player;
    std::shared_ptr<const prove::Proof> proof; // null while there is none
    bool proofComes = false;                   // it is being measured
    Seconds tolerance;
};
// Where a deviation stands in the strip: the middle is on the grid, what is beyond its edges stands at them.
double stripY(const RailsLayout& layout, Seconds off, Seconds tolerance);
// The hit whose mark is nearest to a place in the strip, within a few pixels; null: none.
const prove::Hit* hitAt(const StillRails& rails, const QPointF& at);
void paintRails(QPainter& p, const StillRails& rails);
void paintStrip(QPainter& p, const StillRails& rails);
void paintNoRails(QPainter& p, const QRect& all);
// A line on both rails that says where one is.
struct LineLooks {
    QColor colour;
    bool isStrong = false; // keys and commands act on it
    bool saysTime = false; // in seconds of the recording, in the upper ruler
};
void paintLine(QPainter& p, const RailsScene& scene, const RailsLayout& layout, Seconds here,
               const LineLooks& looks);
void paintBand(QPainter& p, const RailsLayout& layout, double from, double to);
// A word beside the pointer; `wrong`: what is refused.
void paintTold(QPainter& p, const QRect& all, const QPointF& at, const QString& text, bool wrong);

} // namespace app
