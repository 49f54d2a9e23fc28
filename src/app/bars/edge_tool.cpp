// Dragging the edges of clips: repeat, trim, stretch, fade. What release would do is worked out while dragging, and
// shown beside the pointer.
#include "app/bars/bars_tool.h"

#include "app/session/standing.h"
#include "app/widgets/text.h"
#include "app/widgets/words.h"
#include "metre/tempo.h"
#include "project/edit_arrange.h"
#include "prove/strain.h"

#include <QObject>
#include <algorithm>
#include <cmath>

namespace app {

namespace {

using project::Side;

class EdgeTool : public BarsTool {
  public:
    EdgeTool(const BarsHand& hand, ClipId pressed, Side side, EdgeUse use)
        : BarsTool(hand), pressed_(pressed), side_(side), use_(use), before_(*hand.session.laid()->find(pressed)),
          clip_(*before_.clip) {}

    bool stillHolds() const override {
        const project::LaidClip* clip = hand_.session.laid()->find(pressed_);
        return clip != nullptr && *clip->clip == clip_ && clip->source == before_.source;
    }

    void move(const QPointF& at, Qt::KeyboardModifiers modifiers) override {
        const project::Project& p = hand_.session.now();
        const std::vector<ClipId> selected = hand_.session.selection().clips;
        const Beats edge = side_ == Side::Right ? before_.time().end : before_.time().start;
        const Beats wanted = edge + (hand_.layout.beat(at.x()) - hand_.layout.beat(hand_.pressedAt.x()));
        const Beats to = landing(hand_, wanted, modifiers.testFlag(Qt::AltModifier), {pressed_});
        changed_ = to != edge;
        if (use_ == EdgeUse::Repeat)
            next_ = project::repeatUntil(p, pressed_, to);
        else if (use_ == EdgeUse::Trim)
            next_ = project::trim(p, selected, side_, to - edge);
        else
            next_ = project::stretchEdge(p, selected, pressed_, side_, to);
        if (!next_) {
            hand_.drag.ghost.reset();
            hand_.drag.result = translated(next_.error().text);
            return;
        }
        const project::LaidPtr laid = project::lay(*next_, hand_.session.laid());
        const project::LaidClip* after = laid->find(pressed_);
        hand_.drag.ghost = hand_.layout.clip(*after);
        hand_.drag.result = resultOf(*next_, *after);
    }

    void release(const QPointF&, Qt::KeyboardModifiers, bool moved) override {
        if (!moved || !changed_) return;
        const QString result = hand_.drag.result;
        const QString name = use_ == EdgeUse::Repeat ? QObject::tr("Repeat")
                             : use_ == EdgeUse::Trim ? QObject::tr("Trim")
                                                     : QObject::tr("Stretch");
        Document& document = hand_.session.document();
        if (document.edit(name, std::move(next_)))
            hand_.session.say(QString("%1: %2").arg(name, QString(result).replace('\n', QStringLiteral(" · "))));
    }

  private:
    QString resultOf(const project::Project& p, const project::LaidClip& after) const {
        const project::Timing& t = after.time();
        const Beats edge = side_ == Side::Right ? t.end : t.start;
        QString first = QStringLiteral("%1   %2").arg(qt(metre::positionLabel(p.metre.positionAt(edge))),
                                                      barsText(p.metre, t.start, t.end));
        if (use_ == EdgeUse::Repeat && after.clip->stretch.loop && after.source) {
            const project::Seconds from = after.clip->turn      ? after.clip->turn->from
                                          : after.source->beats ? after.source->beats->secondsAt(Beats(0))
                                                                : project::Seconds(0);
            const project::Seconds to = after.clip->turn ? after.clip->turn->to : after.source->wholeEnd();
            const double times = (after.clip->to - from).value / (to - from).value;
            first += QObject::tr("\n%1 times round").arg(std::round(times * 100) / 100);
        }
        if (use_ != EdgeUse::Stretch || !t.job()) return first;
        const prove::Strain strain = prove::strainOf(after, hand_.session.preferences().comfort);
        const QString percent = QString::number(strain.percent, 'f', 1).replace('-', QChar(0x2212));
        const auto n = static_cast<int>(hand_.session.selection().clips.size());
        const QString counts = after.clip->countsAs ? QObject::tr("counts as ") : QString();
        return first +
               QStringLiteral("   ×%1 · %7\n%8%2 → %3 · %4%5 % %6")
                   .arg(t.job()->map.meanRatio(), 0, 'f', 3)
                   .arg(qt(metre::tempoLabel(after.source->beats->meanTempo())), qt(metre::tempoLabel(t.tempo)),
                        strain.percent > 0 ? QStringLiteral("+") : QString(), percent, verdictText(strain.verdict),
                        counted(n, QObject::tr("this clip"), QObject::tr("%1 clips")), counts);
    }

    ClipId pressed_;
    Side side_;
    EdgeUse use_;
    project::LaidClip before_; // keeps its track, and so its clip, alive
    project::Clip clip_;
    bool changed_ = false;
    base::Result<project::Project> next_ = base::cancelled();
};

class FadeTool : public BarsTool {
  public:
    FadeTool(const BarsHand& hand, ClipId pressed, Side side)
        : BarsTool(hand), pressed_(pressed), side_(side), before_(hand.session.laid()->find(pressed)->chain) {}

    bool stillHolds() const override { return hand_.session.laid()->find(pressed_) != nullptr; }

    void move(const QPointF& at, Qt::KeyboardModifiers) override {
        const project::Project p = hand_.session.now(); // a copy: the edit replaces the present one
        const project::LaidClip* clip = hand_.session.laid()->find(pressed_);
        const project::Seconds here = p.tempo.secondsAt(hand_.layout.beat(at.x()));
        const project::Seconds start = metre::toSeconds(clip->time().startFrame, p.rate);
        const project::Seconds length = metre::toSeconds(clip->time().length, p.rate);
        project::Fade fade = side_ == Side::Left ? clip->chain.fadeIn : clip->chain.fadeOut;
        const project::Seconds wanted = side_ == Side::Left ? here - start : start + length - here;
        fade.length = std::clamp(wanted, project::Seconds(0), std::min(length, project::longestFade));
        if (fade.length.value < 2 / hand_.layout.perBeat * 60 / clip->time().tempo.value)
            fade.length = project::Seconds(0);
        hand_.drag.result = QObject::tr("%1 s %2")
                                .arg(fade.length.value, 0, 'f', 3)
                                .arg(side_ == Side::Left ? QObject::tr("fade in") : QObject::tr("fade out"));
        changed_ = set(p, fade) || changed_;
    }

    void release(const QPointF&, Qt::KeyboardModifiers, bool) override {
        if (!changed_) return;
        hand_.session.say(hand_.drag.result);
        hand_.session.document().endGesture();
    }

    void cancel() override {
        if (changed_)
            set(project::Project(hand_.session.now()), side_ == Side::Left ? before_.fadeIn : before_.fadeOut);
    }

  private:
    bool set(const project::Project& p, const project::Fade& fade) {
        const std::vector<ClipId> clips = hand_.session.selection().clips;
        return hand_.session.edit(side_ == Side::Left ? QObject::tr("Fade in") : QObject::tr("Fade out"),
                                  side_ == Side::Left ? project::setFadeIn(p, clips, fade)
                                                      : project::setFadeOut(p, clips, fade),
                                  {"fade", pressed_.value, hand_.press});
    }

    ClipId pressed_;
    Side side_;
    project::Chain before_;
    bool changed_ = false;
};

} // namespace

std::unique_ptr<BarsTool> edgeTool(const BarsHand& hand, ClipId pressed, Side side, EdgeUse use) {
    return std::make_unique<EdgeTool>(hand, pressed, side, use);
}

std::unique_ptr<BarsTool> fadeTool(const BarsHand& hand, ClipId pressed, Side side) {
    return std::make_unique<FadeTool>(hand, pressed, side);
}

} // namespace app
