// How the head of a track is drawn: its name, its rule, its switches, its level.
#include "app/bars/bars_heads.h"
#include "app/bars/bars_paint.h"
#include "app/session/session.h"
#include "app/widgets/text.h"
#include "app/widgets/tokens.h"
#include "app/widgets/words.h"

#include <QPainter>
#include <algorithm>
#include <cmath>

namespace app {

namespace {

QString decibels(double db) {
    return QStringLiteral("%1 dB").arg(db, 0, 'f', 1).replace('-', QChar(0x2212));
}

// "Stretch · Struck": the rule that counts on the track, and the method where all its clips have one.
QString ruleLine(const BarsScene& s, std::size_t index) {
    const project::Track& track = *s.session.now().tracks[index];
    const auto clips = s.session.laid()->onTrack(index);
    const project::TimeRule own = track.rule.value_or(s.session.now().rule);
    QString text = ruleWord(own);
    if (!clips.empty() &&
        std::all_of(clips.begin(), clips.end(), [&](const auto& c) { return c.rule == clips.front().rule; }))
        text = ruleWord(clips.front().rule);
    else if (!clips.empty())
        text = QObject::tr("several rules");
    const bool oneMethod = !clips.empty() && std::all_of(clips.begin(), clips.end(), [&](const auto& c) {
        return c.time().stretched && c.clip->stretch.method == clips.front().clip->stretch.method;
    });
    if (oneMethod && !project::entryOf(clips.front().rule).isCut)
        text += QStringLiteral(" · %1").arg(stretch::methodLabel(clips.front().clip->stretch.method));
    if (track.rule) text += QObject::tr(" · track's");
    return text;
}

QString panText(double pan) {
    if (std::abs(pan) < 0.005) return QObject::tr("mid");
    return QStringLiteral("%1 %2")
        .arg(pan < 0 ? QObject::tr("L") : QObject::tr("R"))
        .arg(std::lround(std::abs(pan) * 100));
}

void paintTrackMeter(QPainter& p, const QRect& bar, const TrackLevel& level) {
    const Tokens& t = tokens();
    p.fillRect(bar, t.rule);
    const auto height = [&](double db) {
        return static_cast<int>(std::clamp((db + 60) / 60, 0.0, 1.0) * bar.height());
    };
    const int lit = height(level.shown);
    p.fillRect(QRect(bar.left(), bar.bottom() + 1 - lit, bar.width(), lit), level.over ? t.wax : t.verdigris);
    if (level.highest > -60) {
        const int held = height(level.highest);
        p.fillRect(QRect(bar.left(), bar.bottom() + 1 - held, bar.width(), 1), t.ink);
    }
    if (level.over) p.fillRect(QRect(bar.left() - 1, bar.top(), bar.width() + 2, 4), t.wax);
}

} // namespace

void paintHeader(QPainter& p, const BarsScene& s, std::size_t index, const QRect& dirty) {
    const Tokens& t = tokens();
    const project::Track& track = *s.session.now().tracks[index];
    const int y = s.layout.y(index);
    const int height = s.layout.heightOf(index);
    p.fillRect(QRect(0, y, BarsLayout::headers, height), t.panel);
    const QRect meter = trackMeterRect(s.layout, index);
    if (index < s.levels.size()) paintTrackMeter(p, meter, s.levels[index]);
    // While it plays, that is all that changes sixty times a second.
    if (dirty.left() > std::max(panRect(s.layout, index).right(), nameRect(s.layout, index).right())) return;
    p.fillRect(QRect(0, y, 5, height), t.tint(track.tint));
    p.setFont(textFont(sizes::strong, QFont::DemiBold));
    p.setPen(t.ink);
    const QRect name = nameRect(s.layout, index);
    p.drawText(name, Qt::AlignVCenter, p.fontMetrics().elidedText(qt(track.name), Qt::ElideRight, name.width()));
    p.setFont(textFont(sizes::label));
    p.setPen(t.inkSoft);
    const QRect rule = ruleRect(s.layout, index);
    if (!rule.isEmpty())
        p.drawText(rule, Qt::AlignVCenter,
                   p.fontMetrics().elidedText(ruleLine(s, index), Qt::ElideRight, rule.width()));
    const auto letter = [&](const QRect& r, const QString& text, bool on) {
        if (on) p.fillRect(r, t.ink);
        p.setPen(on ? t.onInk : t.inkSoft);
        p.setFont(textFont(sizes::label, QFont::Medium));
        p.drawText(r, Qt::AlignCenter, text);
        p.setPen(t.ruleStrong);
        p.drawRect(r.adjusted(0, 0, -1, -1));
    };
    letter(muteRect(s.layout, index), QStringLiteral("M"), track.mute);
    letter(soloRect(s.layout, index), QStringLiteral("S"), track.solo);
    p.setPen(t.ink);
    p.setFont(textFont(sizes::label));
    p.drawText(gainRect(s.layout, index), Qt::AlignVCenter | Qt::AlignLeft, decibels(track.gainDb));
    p.setPen(std::abs(track.pan) < 0.005 ? t.inkSoft : t.ink);
    p.drawText(panRect(s.layout, index), Qt::AlignVCenter | Qt::AlignLeft, panText(track.pan));
}

} // namespace app
