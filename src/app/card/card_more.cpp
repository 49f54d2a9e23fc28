// The rows of the Card beyond tempo and pitch: time rule, level, what goes round, marks.
#include "app/card/card.h"
#include "app/card/shared.h"
#include "app/card/tightening.h"
#include "app/session/session.h"
#include "app/widgets/controls.h"
#include "app/widgets/figure.h"
#include "app/widgets/text.h"
#include "app/widgets/tokens.h"
#include "app/widgets/words.h"
#include "project/edit_arrange.h"

#include <QComboBox>
#include <QGridLayout>
#include <QHBoxLayout>
#include <QLabel>
#include <QLineEdit>
#include <QPushButton>
#include <cmath>

namespace app {

using project::Clip;
using project::LaidClip;
using project::Project;
using Clips = std::vector<ClipId>;

namespace {

QWidget* rowOf(QWidget* parent, const std::vector<QWidget*>& widgets) {
    auto* box = new QWidget(parent);
    auto* layout = new QHBoxLayout(box);
    layout->setContentsMargins(0, 0, 0, 0);
    layout->setSpacing(4);
    for (QWidget* w : widgets)
        layout->addWidget(w);
    layout->addStretch(1);
    return box;
}

void addRow(QGridLayout* grid, int& row, const QString& title, QWidget* w, QWidget* parent) {
    grid->addWidget(label(title, parent), row, 0, Qt::AlignLeft | Qt::AlignVCenter);
    grid->addWidget(w, row++, 1, Qt::AlignLeft | Qt::AlignVCenter);
}

Figure* figureOf(QWidget* parent, const char* name, const QString& title, const QString& tip, const QString& room) {
    auto* f = new Figure(title, 16, parent);
    f->setObjectName(name);
    f->setToolTip(tip);
    f->setRoomFor(room);
    return f;
}

// What goes round, in the source's own seconds.
project::Marks turnOf(const LaidClip& c) {
    if (c.clip->turn) return *c.clip->turn;
    const project::Seconds from =
        c.source && c.source->beats ? c.source->beats->secondsAt(Beats(0)) : project::Seconds(0);
    return {from, c.source ? c.source->wholeEnd() : c.clip->to};
}

double repeatsOf(const LaidClip& c) {
    if (!c.clip->stretch.loop) return 1;
    const project::Marks turn = turnOf(c);
    return (c.clip->to - turn.from).value / std::max(1e-9, (turn.to - turn.from).value);
}

double beatAt(const LaidClip& c, project::Seconds at) {
    return c.source && c.source->beats ? c.source->beats->beatAt(at).value : 0;
}

QString trimmed(double v, int decimals) {
    const double unit = std::pow(10, decimals);
    QString text = QString::number(std::round(v * unit) / unit + 0.0, 'f', decimals); // never "−0"
    while (text.contains('.') && (text.endsWith('0') || text.endsWith('.')))
        text.chop(1);
    return text.replace('-', QChar(0x2212));
}

QString noValue() {
    return QStringLiteral("–");
}
QString mixedValues() {
    return Card::tr("mixed");
}

} // namespace

void Card::change(const QString& what, const std::function<Edit(const Project&, const Clips&)>& edit,
                  const project::Gesture& gesture) {
    const Clips clips = session_.selection().clips; // a copy: the edit may change the selection
    session_.edit(what, edit(session_.now(), clips), gesture);
    refresh();
}

void Card::connectFigure(Figure* figure, const ClipFigure& f) {
    connect(figure, &Figure::typed, this, [this, f](const QString& text) {
        const auto v = numberIn(text);
        if (!v)
            session_.say(tr("“%1” is not %2.").arg(text, f.typed));
        else
            change(f.what, [&](const Project& p, const Clips& ids) { return f.set(p, ids, *v); });
    });
    connect(figure, &Figure::turned, this, [this, f, figure](int steps, bool fine) {
        const double by = steps * (fine ? f.fine : f.step);
        const project::LaidPtr laid = session_.laid();
        change(f.what,
               [&](const Project& p, const Clips& ids) {
                   Edit next = p;
                   for (const ClipId id : ids) {
                       const LaidClip* c = laid->find(id);
                       // What is at the end of its range already stays there; the others go on.
                       if (c == nullptr || !next) continue;
                       if (auto moved = f.set(*next, {id}, f.get(*c) + by)) next = std::move(moved);
                   }
                   return next;
               },
               {"turn " + f.what.toStdString(), selectedObject(), figure->turn()});
    });
}

void Card::buildMore(QGridLayout& grid) {
    int row = 0;
    tightening_->addRows(&grid, row);
    addPitchRows(&grid, row);
    addLevelRows(&grid, row);
    addLoopRows(&grid, row);
    addMarkRows(&grid, row);
}

void Card::addPitchRows(QGridLayout* grid, int& row) {
    ruleFrom_ = label({}, this);
    ruleFrom_->setObjectName("ruleFrom");
    addRow(grid, row, tr("Time rule"), ruleFrom_, this);
    formants_ = toggle(tr("Keep formants"), tr("A voice that is transposed keeps its colour; not on Tape"), this);
    formants_->setObjectName("formants");
    connect(formants_, &QPushButton::clicked, this, [this](bool on) {
        session_.edit(tr("Formants"), project::setFormants(session_.now(), session_.selection().clips, on));
        refresh();
    });
    addRow(grid, row, tr("Voice"), formants_, this);
    sensitivity_ = figureOf(this, "sensitivity", tr("Sensitivity of onsets"),
                            tr("Which onsets cut slices: 0 % the strongest only, 100 % all"), "000 %");
    connectFigure(sensitivity_, {tr("Sensitivity"), tr("a percentage"), 5, 1,
                                 [](const Project& p, const Clips& ids, double v) {
                                     return project::setSensitivity(p, ids, v / 100);
                                 },
                                 [](const LaidClip& c) { return c.clip->stretch.sensitivity * 100; }});
    addRow(grid, row, tr("Onsets"), sensitivity_, this);
    followsKey_ =
        toggle(tr("Key"), tr("Follows the project's key, by the shorter way; struck sounds never do"), this);
    followsKey_->setObjectName("followsKey");
    connect(followsKey_, &QPushButton::clicked, this, [this](bool on) {
        change(tr("Follow the key"),
               [on](const Project& p, const Clips& ids) { return project::setFollowsKey(p, ids, on); });
    });
    toRelatives_ = toggle(tr("Relatives"), tr("Also from minor into the relative of a major key, and back"), this);
    toRelatives_->setObjectName("toRelatives");
    connect(toRelatives_, &QPushButton::clicked, this, [this](bool on) {
        change(tr("Relative keys"),
               [on](const Project& p, const Clips& ids) { return project::setToRelatives(p, ids, on); });
    });
    addRow(grid, row, tr("Follows"), rowOf(this, {followsKey_, toRelatives_}), this);
}

void Card::addLevelRows(QGridLayout* grid, int& row) {
    const std::tuple<project::Normalise, QString, QString> ways[] = {
        {project::Normalise::No, tr("Off"), tr("Its level as recorded")},
        {project::Normalise::Peak, tr("Peak"), tr("True peak to −1 dBTP")},
        {project::Normalise::Loudness, tr("Loudness"), tr("Integrated loudness to −16 LUFS (EBU R 128)")}};
    std::vector<QWidget*> buttons;
    for (const auto& [how, text, tip] : ways) {
        QPushButton* b = toggle(text, tip, this);
        b->setObjectName("normalise-" + text.toLower());
        connect(b, &QPushButton::clicked, this, [this, how = how] {
            session_.levels().normalise(how);
            refresh();
        });
        normalise_.emplace_back(how, b);
        buttons.push_back(b);
    }
    addRow(grid, row, tr("Normalise"), rowOf(this, buttons), this);
    quiet_ = toggle(tr("Reduce noise"), tr("Turns steady noise under the recording down, gently"), this);
    quiet_->setObjectName("quiet");
    connect(quiet_, &QPushButton::clicked, this, [this](bool on) {
        change(tr("Noise"), [on](const Project& p, const Clips& ids) { return project::setQuiet(p, ids, on); });
    });
    addRow(grid, row, tr("Noise"), quiet_, this);
    channels_ = new QComboBox(this);
    channels_->setObjectName("channels");
    channels_->setAccessibleName(tr("Channels"));
    for (const project::Channels c : {project::Channels::Stereo, project::Channels::Mono, project::Channels::Left,
                                      project::Channels::Right, project::Channels::Swapped})
        channels_->addItem(channelsWord(c), static_cast<int>(c));
    connect(channels_, &QComboBox::activated, this, [this](int index) {
        const auto to = static_cast<project::Channels>(channels_->itemData(index).toInt());
        change(tr("Channels"),
               [to](const Project& p, const Clips& ids) { return project::setChannels(p, ids, to); });
    });
    addRow(grid, row, tr("Channels"), channels_, this);
    flipLeft_ = toggle(tr("L"), tr("Invert the left channel"), this);
    flipLeft_->setObjectName("flipLeft");
    flipRight_ = toggle(tr("R"), tr("Invert the right channel"), this);
    flipRight_->setObjectName("flipRight");
    for (const auto& [b, side] :
         {std::pair(flipLeft_, project::Side::Left), std::pair(flipRight_, project::Side::Right)})
        connect(b, &QPushButton::clicked, this, [this, side = side](bool on) {
            change(tr("Flip phase"),
                   [=](const Project& p, const Clips& ids) { return project::setFlipped(p, ids, side, on); });
        });
    addRow(grid, row, tr("Flip phase"), rowOf(this, {flipLeft_, flipRight_}), this);
}

void Card::addLoopRows(QGridLayout* grid, int& row) {
    turnFrom_ = figureOf(this, "turnFrom", tr("Loop from this beat of the recording"),
                         tr("The loop begins at this beat of the recording"), "000.00");
    turnTo_ = figureOf(this, "turnTo", tr("Loop up to this beat of the recording"),
                       tr("The loop ends at this beat of the recording"), "000.00");
    connectFigure(turnFrom_, {tr("Loop from"), tr("a beat"), 1, 0.25,
                              [this](const Project& p, const Clips& ids, double v) {
                                  const LaidClip* c = session_.laid()->find(ids.front());
                                  return project::setTurn(p, ids, Beats(v), Beats(beatAt(*c, turnOf(*c).to)));
                              },
                              [](const LaidClip& c) { return beatAt(c, turnOf(c).from); }});
    connectFigure(turnTo_, {tr("Loop to"), tr("a beat"), 1, 0.25,
                            [this](const Project& p, const Clips& ids, double v) {
                                const LaidClip* c = session_.laid()->find(ids.front());
                                return project::setTurn(p, ids, Beats(beatAt(*c, turnOf(*c).from)), Beats(v));
                            },
                            [](const LaidClip& c) { return beatAt(c, turnOf(c).to); }});
    addRow(grid, row, tr("Loop"), rowOf(this, {turnFrom_, label(tr("to"), this), turnTo_}), this);
}

// The figures of the ten that are set like those behind More.
void Card::connectMoreFigures() {
    connectFigure(repeats_, {tr("Repeats"), tr("a number of repeats"), 1, 0.25,
                             [](const Project& p, const Clips& ids, double v) {
                                 return project::setRepeats(p, ids, std::max(0.25, v));
                             },
                             [](const LaidClip& c) { return repeatsOf(c); }});
    connectFigure(
        offset_, {tr("Offset"), tr("a beat"), 1, 0.25,
                  [](const Project& p, const Clips& ids, double v) { return project::setOffset(p, ids, Beats(v)); },
                  [](const LaidClip& c) { return beatAt(c, c.clip->from); }});
    for (const auto& [f, in] : {std::pair(fadeIn_, true), std::pair(fadeOut_, false)})
        connectFigure(
            f, {in ? tr("Fade in") : tr("Fade out"), tr("a length in seconds"), 0.05, 0.005,
                [in = in](const Project& p, const Clips& ids, double v) {
                    const project::Fade fade{project::Seconds(std::max(0.0, v)), project::Fade::Shape::EqualPower};
                    return in ? project::setFadeIn(p, ids, fade) : project::setFadeOut(p, ids, fade);
                },
                [in = in](const LaidClip& c) { return (in ? c.clip->fadeIn : c.clip->fadeOut).length.value; }});
}

void Card::addMarkRows(QGridLayout* grid, int& row) {
    clipName_ = new QLineEdit(this);
    clipName_->setObjectName("clipName");
    clipName_->setAccessibleName(tr("Name of the clip"));
    clipName_->setToolTip(tr("Name; several clips are numbered. Empty: as the source is called"));
    clipName_->setMaximumWidth(140);
    connect(clipName_, &QLineEdit::returnPressed, this, [this] {
        const std::string name = clipName_->text().trimmed().toStdString();
        change(tr("Name"), [&](const Project& p, const Clips& ids) { return project::setName(p, ids, name); });
    });
    addRow(grid, row, tr("Name"), clipName_, this);
    lock_ = toggle(tr("Lock"), tr("Lock the clip: edits change nothing (Ctrl+K)"), this);
    lock_->setObjectName("lockClip");
    connect(lock_, &QPushButton::clicked, this, [this](bool on) {
        change(on ? tr("Lock") : tr("Unlock"),
               [on](const Project& p, const Clips& ids) { return project::setLocked(p, ids, on); });
    });
    mute_ = toggle(tr("Mute"), tr("Mute the clip (M)"), this);
    mute_->setObjectName("muteClipButton");
    connect(mute_, &QPushButton::clicked, this, [this](bool on) {
        change(tr("Mute"), [on](const Project& p, const Clips& ids) { return project::setClipMute(p, ids, on); });
    });
    tint_ = button(tr("Colour"), tr("Change colour"), this);
    tint_->setObjectName("tintButton");
    connect(tint_, &QPushButton::clicked, this, [this] {
        const auto& clips = session_.selection().clips;
        const LaidClip* c = clips.empty() ? nullptr : session_.laid()->find(clips.front());
        if (c == nullptr) return;
        const int next = (c->clip->tint.value_or(c->track->tint) + 1) % 8;
        const auto tint = next == c->track->tint ? std::nullopt : std::optional<int>(next);
        change(tr("Colour"), [&](const Project& p, const Clips& ids) { return project::setTint(p, ids, tint); });
    });
    addRow(grid, row, {}, rowOf(this, {lock_, mute_, tint_}), this);
}

void Card::refreshRule() {
    const project::Laid& laid = *session_.laid();
    const Clips& clips = session_.selection().clips;
    const bool any = !clips.empty();
    const auto rule = shared(laid, clips, [](const LaidClip& c) { return c.rule; });
    const auto from = shared(laid, clips, [](const LaidClip& c) { return c.ruleFrom; });
    for (const auto& [r, b] : rules_) {
        b->setEnabled(any);
        b->setChecked(rule == r);
    }
    const auto follows = shared(laid, clips, [](const LaidClip& c) { return c.time().follows; });
    const bool wants = rule && project::entryOf(*rule).needsBeats;
    ruleFrom_->setText(!any                        ? QString()
                       : !from                     ? tr("· from several places")
                       : wants && follows == false ? tr("· %1, not following").arg(ruleFromWord(*from))
                                                   : QStringLiteral("· ") + ruleFromWord(*from));
}

void Card::refreshWays() {
    const project::Laid& laid = *session_.laid();
    const Clips& clips = session_.selection().clips;
    const bool any = !clips.empty();
    const auto how = shared(laid, clips, [](const LaidClip& c) { return c.clip->normalise; });
    for (const auto& [h, b] : normalise_) {
        b->setEnabled(any);
        b->setChecked(how == h);
    }
    const auto channels = shared(laid, clips, [](const LaidClip& c) { return c.clip->channels; });
    channels_->setEnabled(any);
    channels_->setPlaceholderText(any ? mixedValues() : noValue());
    channels_->setCurrentIndex(channels ? channels_->findData(static_cast<int>(*channels)) : -1);
}

void Card::refreshName() {
    const project::Laid& laid = *session_.laid();
    const Clips& clips = session_.selection().clips;
    const bool any = !clips.empty();
    clipName_->setEnabled(any);
    if (!clipName_->hasFocus()) {
        const auto name = shared(laid, clips, [](const LaidClip& c) { return c.clip->name; });
        clipName_->setText(name ? qt(*name) : QString());
        clipName_->setPlaceholderText(!any || !name ? (any ? mixedValues() : noValue()) : tr("as its source"));
    }
}

void Card::refreshMore() {
    const project::Laid& laid = *session_.laid();
    const Clips& clips = session_.selection().clips;
    const bool any = !clips.empty();
    const auto show = [&](Figure* f, const auto& get, const auto& text) {
        const auto v = shared(laid, clips, get);
        f->setEnabled(any);
        f->setText(!any ? noValue() : v ? text(*v) : mixedValues());
    };
    refreshRule();
    show(
        sensitivity_, [](const LaidClip& c) { return c.clip->stretch.sensitivity; },
        [](double v) { return trimmed(v * 100, 0) + " %"; });
    const auto check = [&](QPushButton* b, const auto& get) {
        b->setEnabled(any);
        b->setChecked(shared(laid, clips, get).value_or(false));
    };
    check(followsKey_, [](const LaidClip& c) { return c.clip->followsKey; });
    check(toRelatives_, [](const LaidClip& c) { return c.clip->toRelatives; });
    check(quiet_, [](const LaidClip& c) { return c.clip->stretch.quiet; });
    check(flipLeft_, [](const LaidClip& c) { return c.clip->flipLeft; });
    check(flipRight_, [](const LaidClip& c) { return c.clip->flipRight; });
    check(lock_, [](const LaidClip& c) { return c.clip->locked; });
    check(mute_, [](const LaidClip& c) { return c.clip->mute; });
    tint_->setEnabled(any);
    const auto seconds = [](double v) { return trimmed(v, 3); };
    show(
        fadeIn_, [](const LaidClip& c) { return c.clip->fadeIn.length.value; }, seconds);
    show(
        fadeOut_, [](const LaidClip& c) { return c.clip->fadeOut.length.value; }, seconds);
    const auto two = [](double v) { return trimmed(v, 2); };
    show(
        repeats_, [](const LaidClip& c) { return std::round(repeatsOf(c) * 1000) / 1000; }, two);
    show(
        turnFrom_, [](const LaidClip& c) { return beatAt(c, turnOf(c).from); }, two);
    show(
        turnTo_, [](const LaidClip& c) { return beatAt(c, turnOf(c).to); }, two);
    show(
        offset_, [](const LaidClip& c) { return beatAt(c, c.clip->from); }, two);
    refreshWays();
    refreshName();
}

} // namespace app
