#include "app/bench/bench.h"

#include "app/bench/by_ear.h"
#include "app/bench/rails_view.h"
#include "app/bench/readings_strip.h"
#include "app/bench/selection_list.h"
#include "app/bench/source_column.h"
#include "app/bench/tempo_plot.h"
#include "app/card/card.h"
#include "app/session/session.h"
#include "app/widgets/controls.h"
#include "app/widgets/elided_label.h"
#include "app/widgets/text.h"
#include "app/widgets/tokens.h"
#include "app/widgets/words.h"
#include "base/utf8.h"
#include "metre/tempo.h"
#include "project/pins.h"
#include "project/sets.h"
#include "prove/strain.h"

#include <QEvent>
#include <QHBoxLayout>
#include <QLabel>
#include <QPainter>
#include <QPushButton>
#include <QScrollArea>
#include <QScrollBar>
#include <QSplitter>
#include <QTimer>
#include <QVBoxLayout>
#include <algorithm>
#include <numeric>
#include <set>
#include <tuple>

namespace app {

namespace {

// A column that scrolls where it has no room. It is as wide as what stands in it needs: wider in a language of long
// words, and beside a scroll bar.
class Room : public QScrollArea {
  public:
    Room(const char* name, const QString& accessible, int width, QWidget* parent)
        : QScrollArea(parent), width_(width) {
        setObjectName(name);
        setAccessibleName(accessible);
        setFrameShape(QFrame::NoFrame);
        setFocusPolicy(Qt::NoFocus); // what stands in it is reached, and comes into view
        setWidgetResizable(true);
        setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
        viewport()->setAutoFillBackground(false);
    }
    // REQUIRES a child of the viewport.
    void hold(QWidget* content) {
        setWidget(content);
        content->setAutoFillBackground(false);
        content->installEventFilter(this);
        verticalScrollBar()->installEventFilter(this);
        takeWidth();
    }
    bool eventFilter(QObject* watched, QEvent* event) override {
        const auto type = event->type();
        if (type == QEvent::LayoutRequest || type == QEvent::Show || type == QEvent::Hide) takeWidth();
        return QScrollArea::eventFilter(watched, event);
    }

  private:
    void takeWidth() {
        const QScrollBar* bar = verticalScrollBar();
        const int beside = bar->isVisible() ? bar->sizeHint().width() : 0;
        setFixedWidth(std::max(width_, widget()->minimumSizeHint().width() + 2 + beside));
    }
    const int width_; // pixels, at least
};

} // namespace

Bench::Bench(Session& session, QWidget* parent) : QWidget(parent), session_(session) {
    setObjectName("bench");
    buildHead();
    buildBody();
    auto* all = new QVBoxLayout(this);
    all->setContentsMargins(12, 6, sizes::margin, 5);
    all->setSpacing(4);
    all->addWidget(head_);
    all->addWidget(body_, 1);
    connectParts();
    refresh();
}

void Bench::buildHead() {
    auto* title = new QLabel(tr("Bench"), this);
    title->setFont(textFont(sizes::strong, QFont::DemiBold));
    name_ = new ElidedLabel(Qt::ElideMiddle, this);
    name_->setFont(textFont(sizes::text));
    name_->setObjectName("benchName");
    facts_ = label({}, this);
    head_ = new QWidget(this);
    head_->setObjectName("benchLine");
    head_->setCursor(Qt::PointingHandCursor);
    head_->setToolTip(tr("Click: fold the Bench, or open it (B)"));
    head_->installEventFilter(this);
    foldHint_ = label({}, this);
    auto* head = new QHBoxLayout(head_);
    head->setContentsMargins(0, 0, 0, 0);
    head->setSpacing(10);
    head->addWidget(title);
    moreButton_ =
        toggle(tr("More"), tr("The rarer figures of the recording, and what can be done about its beats"), this);
    moreButton_->setObjectName("benchMore");
    moreButton_->setProperty("narrow", true);
    moreButton_->setFixedSize(46, 20);
    connect(moreButton_, &QPushButton::clicked, this, &Bench::setShowsMore);
    head->addWidget(name_, 1);
    head->addWidget(facts_);
    head->addWidget(moreButton_);
    head->addWidget(foldHint_);
}

void Bench::buildBody() {
    // Each is made within what holds it: what moves into another widget is styled anew.
    body_ = new QWidget(this);
    stripRow_ = new QWidget(body_);
    oneSource_ = new QWidget(body_);
    auto* columnRoom = new Room("columnRoom", tr("Rarer figures of the recording"), 214, body_);
    auto* cardRoom = new Room("cardRoom", tr("Card: settings of the selection"), 270, body_);
    rails_ = new RailsView(session_, oneSource_);
    byEar_ = new ByEar(session_, *rails_, this);
    plot_ = new TempoPlot(*rails_, oneSource_);
    column_ = new SourceColumn(session_, *byEar_, columnRoom->viewport());
    card_ = new Card(session_, cardRoom->viewport());
    many_ = new SelectionList(body_);
    readings_ = new ReadingsStrip(stripRow_);
    columnRoom->hold(column_);
    cardRoom->hold(card_);
    columnRoom_ = columnRoom;
    cardRoom_ = cardRoom;

    auto* strip = new QHBoxLayout(stripRow_);
    strip->setContentsMargins(0, 0, 0, 0);
    strip->setSpacing(6);
    strip->addWidget(readings_, 1);
    strip->addWidget(column_->quickButtons());
    eyeRow_ = new QWidget(oneSource_);
    eyeRow_->setLayout(buildEyeRow());

    auto* one = new QVBoxLayout(oneSource_);
    one->setContentsMargins(0, 0, 0, 0);
    one->setSpacing(3);
    one->addWidget(plot_);
    one->addWidget(eyeRow_);
    one->addWidget(rails_, 1);
    scroll_ = new QScrollBar(Qt::Horizontal, oneSource_);
    scroll_->setLayoutDirection(Qt::LeftToRight); // as the rails
    scroll_->setObjectName("railsScroll");
    scroll_->setAccessibleName(tr("Scrolls both rails"));
    one->addWidget(scroll_);

    auto* body = new QHBoxLayout(body_);
    body->setContentsMargins(0, 0, 0, 0);
    body->setSpacing(14);
    body->addWidget(columnRoom_);
    auto* middle = new QVBoxLayout;
    middle->setSpacing(3);
    middle->addWidget(stripRow_);
    middle->addWidget(oneSource_, 1);
    middle->addWidget(many_, 1);
    body->addLayout(middle, 1);
    body->addWidget(cardRoom_);
}

// What the rails show, the lines of the grid, and hearing the recording alone.
QHBoxLayout* Bench::buildEyeRow() {
    standing_ = new ElidedLabel(Qt::ElideRight, this);
    standing_->setObjectName("railsTitle");
    standing_->setProperty("soft", true);
    standing_->setFont(textFont(sizes::label));
    auto* row = new QHBoxLayout;
    row->setContentsMargins(0, 0, 0, 0);
    row->setSpacing(2);
    row->addWidget(standing_, 1);
    for (const auto& [name, text, grid] : {std::tuple("gridQuarters", tr("quarters"), EyeGrid::Quarters),
                                           std::tuple("gridEighths", tr("eighths"), EyeGrid::Eighths),
                                           std::tuple("gridTriplets", tr("triplets"), EyeGrid::Triplets),
                                           std::tuple("gridSixteenths", tr("sixteenths"), EyeGrid::Sixteenths)}) {
        auto* b = new QPushButton(text, this);
        b->setObjectName(QString::fromLatin1(name));
        b->setCheckable(true);
        b->setFlat(true);
        b->setProperty("word", true);
        b->setFont(textFont(sizes::label));
        b->setFixedHeight(20);
        b->setToolTip(tr("Lines of the grid in the lower rail"));
        b->setFocusPolicy(Qt::TabFocus);
        connect(b, &QPushButton::clicked, this, [this, grid = grid] { rails_->setGrid(grid); });
        row->addWidget(b);
        grids_.push_back(b);
    }
    row->addSpacing(8);
    row->addWidget(byEar_);
    return row;
}

void Bench::connectParts() {
    connect(&session_, &Session::proven, this, [this] {
        if (many_->isVisible()) many_->show(session_); // what was measured meanwhile
    });
    connect(readings_, &ReadingsStrip::picked, column_, &SourceColumn::pick);
    connect(readings_, &ReadingsStrip::pickedOther, column_, &SourceColumn::pickOther);
    connect(readings_, &ReadingsStrip::typed, column_, &SourceColumn::typeTempo);
    connect(column_, &SourceColumn::straightenAsked, this, &Bench::straightenAsked);
    connect(column_, &SourceColumn::leadAsked, this, &Bench::leadAsked);
    connect(column_, &SourceColumn::takeTimeAsked, this, &Bench::takeTimeAsked);
    connectRails();
    connectScrolling();
    connect(&session_, &Session::changed, this, &Bench::refresh);
    connect(&session_, &Session::selectionChanged, this, &Bench::refresh);
}

void Bench::connectRails() {
    connect(rails_, &RailsView::menuAsked, this, &Bench::railMenuAsked);
    connect(rails_, &RailsView::rawAsked, this, [this](double from) {
        if (from < 0)
            byEar_->hear(false);
        else
            byEar_->hear(true, metre::Seconds(from));
    });
    connect(rails_, &RailsView::fittedAsked, this, [this](double beat) {
        session_.player().stopRaw();
        session_.transport().goTo(Beats(std::max(0.0, beat)), true);
        if (!session_.player().isPlaying()) session_.transport().toggle();
    });
    connect(rails_, &RailsView::marksAsked, this, [this](double from, double to, bool isDone) {
        const auto id = session_.selection().source;
        if (!id) return;
        const project::Marks marks{metre::Seconds(from), metre::Seconds(to)};
        if (!isDone) {
            byEar_->marksMove(marks);
            return;
        }
        session_.edit(tr("Marks"), project::setMarks(session_.now(), *id, marks.from, marks.to),
                      {"marks", id->value, rails_->press()});
        byEar_->marksMove({});
    });
    connect(rails_, &RailsView::phaseAsked, this, [this](double by, bool isDone) {
        if (by != 0) byEar_->shiftClick(by);
        if (isDone && byEar_->tried())
            session_.say(tr("The click is moved; the source stays as it is until it is used."));
    });
    connect(rails_, &RailsView::triedTurned, byEar_, &ByEar::turn);
    connect(rails_, &RailsView::triedScaled, byEar_, &ByEar::scale);
    connect(rails_, &RailsView::gridChanged, this, &Bench::refreshStanding);
}

// In milliseconds of the recording.
void Bench::connectScrolling() {
    scroll_->hide();
    connect(rails_, &RailsView::viewChanged, this, [this] {
        const RailsScenePtr& scene = rails_->scene();
        const RailsLayout& rails = rails_->layout();
        const bool needed = scene && !rails_->isWhole();
        scroll_->setVisible(needed);
        if (!needed) return;
        const auto ms = [](double seconds) { return static_cast<int>(seconds * 1000); };
        const double page = rails.size.width() / rails.perSecond;
        const QSignalBlocker quiet(scroll_);
        scroll_->setRange(0, std::max(0, ms(scene->source()->length().value - 0.3 * page)));
        scroll_->setPageStep(std::max(1, ms(page)));
        scroll_->setSingleStep(std::max(1, ms(page / 10)));
        scroll_->setValue(ms(rails.from));
    });
    connect(scroll_, &QScrollBar::valueChanged, this,
            [this](int at) { rails_->scrollTo(metre::Seconds(at / 1000.0)); });
}

void Bench::setSplitter(QSplitter* splitter) {
    splitter_ = splitter;
    refreshFold();
}

void Bench::setFolded(bool on) {
    folded_ = on;
    refreshFold();
}

bool Bench::eventFilter(QObject* object, QEvent* event) {
    if (object == head_ && event->type() == QEvent::MouseButtonRelease) setFolded(!folded_);
    return QWidget::eventFilter(object, event);
}

void Bench::refreshFold() {
    if (splitter_ == nullptr) return;
    const bool nothing = session_.selection().clips.empty() && !session_.selection().source;
    const bool line = folded_ || nothing;
    foldHint_->setText(nothing ? QString() : folded_ ? tr("B opens the Bench") : tr("B folds the Bench"));
    if (line == isLine_) return;
    if (line && isVisible() && !isLine_) openHeight_ = std::max(height(), 200);
    isLine_ = line;
    body_->setVisible(!line);
    takeHeight();
}

// From the page above, or back to it.
void Bench::takeHeight() {
    const QList<int> sizes = splitter_->sizes();
    const int all = std::accumulate(sizes.begin(), sizes.end(), 0);
    const int wanted = isLine_ ? head_->sizeHint().height() + 16 : openHeight_;
    setMinimumHeight(isLine_ ? wanted : 0);
    setMaximumHeight(isLine_ ? wanted : QWIDGETSIZE_MAX);
    if (all > wanted) splitter_->setSizes({all - wanted, wanted});
}

// Before it is shown a splitter has no sizes to share out.
void Bench::showEvent(QShowEvent*) {
    if (splitter_ != nullptr) QTimer::singleShot(0, this, [this] { takeHeight(); });
}

// The selection in one sentence: "winch_hands_112bpm.wav 112 (name) → 104 · Struck · +7.7 % gentle".
QString Bench::sentence() const {
    const auto& clips = session_.selection().clips;
    if (clips.size() > 1) return selectionText();
    const project::SourcePtr s = selected();
    if (!s) return tr("Nothing selected");
    QString text = qt(base::shownName(s->file));
    if (s->beats) {
        text += " " + qt(metre::tempoLabel(s->beats->meanTempo()));
        if (s->chosen) text += tr(" (%1)").arg(witnessInText(*s->chosen));
    } else {
        text += tr(", no beat found");
    }
    const project::LaidClip* clip = clips.empty() ? nullptr : session_.laid()->find(clips.front());
    if (clip == nullptr) return text;
    if (clip->time().stretched) {
        const prove::Strain strain = prove::strainOf(*clip, session_.preferences().comfort);
        text += QStringLiteral(" → %1 · %2 · %3%4 % %5")
                    .arg(qt(metre::tempoLabel(clip->time().tempo)),
                         project::entryOf(clip->rule).isCut ? ruleWord(clip->rule)
                                                            : stretch::methodLabel(clip->clip->stretch.method),
                         strain.percent > 0 ? QStringLiteral("+") : QString(),
                         QString::number(strain.percent, 'f', 1).replace('-', QChar(0x2212)),
                         verdictText(strain.verdict));
    } else {
        text += QStringLiteral(" · %1").arg(ruleWord(clip->rule));
    }
    return text;
}

// "12 clips of 4 recordings selected".
QString Bench::selectionText() const {
    std::set<project::SourceId> sources;
    for (const ClipId id : session_.selection().clips)
        if (const project::LaidClip* c = session_.laid()->find(id)) sources.insert(c->clip->source);
    return tr("%1 clips of %2 selected")
        .arg(session_.selection().clips.size())
        .arg(counted(static_cast<int>(sources.size()), tr("1 recording"), tr("%1 recordings")));
}

project::SourcePtr Bench::selected() const {
    const auto id = session_.selection().source;
    return id ? project::sourceOf(session_.now(), *id) : nullptr;
}

void Bench::swapCompared() {
    card_->swapCompared();
}

void Bench::typeTempo() {
    readings_->beginTyping();
}

void Bench::setShowsMore(bool on) {
    more_ = on;
    refresh();
}

project::SourcePtr Bench::shown() const {
    if (project::SourcePtr s = selected()) return s;
    const auto& clips = session_.selection().clips;
    std::optional<project::SourceId> one;
    for (const ClipId id : clips) {
        const project::LaidClip* c = session_.laid()->find(id);
        if (c == nullptr || (one && *one != c->clip->source)) return nullptr;
        one = c->clip->source;
    }
    return one ? project::sourceOf(session_.now(), *one) : nullptr;
}

// What the two rails show, above and below.
void Bench::refreshStanding() {
    const RailsScenePtr& scene = rails_->scene();
    QString text = tr("As recorded");
    if (scene && scene->isHeard() && scene->clip() != nullptr) {
        const project::LaidClip& clip = *scene->clip();
        text = !scene->isPlaced() ? tr("As recorded above · as it would lie from bar 1 below")
               : clip.ruleFrom == project::RuleFrom::Lead ? tr("As recorded above · the grid that follows it below")
               : !clip.time().stretched                   ? tr("As recorded above · as it is placed below")
                                                          : tr("As recorded above · on the grid below");
    }
    standing_->setText(text);
    standing_->setToolTip(text);
    const auto on = static_cast<std::size_t>(rails_->grid());
    for (std::size_t i = 0; i < grids_.size(); ++i)
        grids_[i]->setChecked(i == on);
}

// Which of the parts stand there.
void Bench::refreshRows(const project::SourcePtr& source) {
    constexpr int high = 330;  // from here on there is room for all
    constexpr int wide = 1000; // and from here for the column of rarer figures beside the Card
    const bool several = session_.selection().clips.size() > 1;
    const bool isHigh = height() >= high;
    const bool isWide = width() >= wide;
    const bool hasColumn = more_ || (isHigh && isWide);
    many_->setVisible(several);
    oneSource_->setVisible(!several);
    stripRow_->setVisible(source || !several);
    columnRoom_->setVisible(hasColumn);
    cardRoom_->setVisible(isWide || !hasColumn);
    moreButton_->setVisible(!(isHigh && isWide) && !isLine_);
    moreButton_->setChecked(more_);
    // Of what runs at one tempo there is little to see in it: the rails have the room, unless there is plenty.
    plot_->setVisible(source && source->beats && isHigh && (!project::isSteady(*source) || height() > 470));
}

void Bench::refresh() {
    const project::SourcePtr s = shown();
    many_->show(session_);
    refreshRows(s);
    rails_->refresh();
    byEar_->show(selected());
    column_->show(s);
    readings_->show(s ? s->readings : std::vector<hear::Reading>(), s ? s->chosen : std::nullopt, s != nullptr);
    plot_->update();
    refreshFold();
    refreshHead(selected());
    refreshStanding();
}

// "struck · 48 kHz stereo · 8.571 s · 16 beats · first downbeat 0.000 s · 4/4 · all 3 clips".
QString Bench::factsOf(const project::Source& s) const {
    QStringList facts{
        kindText(s.kind),
        tr("%1 kHz %2")
            .arg(QString::number(s.facts.rate / 1000.0), s.facts.channels == 1 ? tr("mono") : tr("stereo")),
        tr("%1 s").arg(QString::number(s.length().value, 'f', 3))};
    if (s.key) facts << qt(hear::keyLabel(*s.key));
    if (s.beats) {
        const double beats = s.endBeat().value;
        facts << (s.wholeBeats() ? counted(*s.wholeBeats(), tr("1 beat"), tr("%1 beats"))
                                 : tr("%1 beats").arg(QString::number(beats, 'f', 2)));
        facts << tr("first downbeat %1 s").arg(s.beats->secondsAt(Beats(0)).value, 0, 'f', 3);
        facts << qt(metre::metreLabel(s.metre()));
        if (!project::isSteady(s)) facts << tr("played free");
    }
    if (s.set) facts << tr("set of %1").arg(project::togetherWith(session_.now(), s.id).size());
    const auto& all = session_.laid()->clips();
    const auto clips =
        std::count_if(all.begin(), all.end(), [&](const project::LaidClip& c) { return c.clip->source == s.id; });
    if (clips > 1) facts << tr("all %1 clips").arg(clips);
    return facts.join(QStringLiteral(" · "));
}

void Bench::refreshHead(const project::SourcePtr& s) {
    if (isLine_) {
        const QString text = sentence();
        name_->setText(text);
        name_->setToolTip(text);
        facts_->clear();
        return;
    }
    if (!s) {
        name_->setText(session_.selection().clips.size() > 1 ? selectionText()
                                                             : tr("Select a clip or a source to work on it here."));
        facts_->clear();
        return;
    }
    facts_->setText(factsOf(*s));
    name_->setText(qt(base::shownName(s->file)));
    name_->setToolTip(qt(base::shownPath(s->file)));
}

void Bench::resizeEvent(QResizeEvent* event) {
    QWidget::resizeEvent(event);
    // The name is shortened to the room it has once the layout has given it that.
    QMetaObject::invokeMethod(this, &Bench::refresh, Qt::QueuedConnection);
}

void Bench::paintEvent(QPaintEvent*) {
    QPainter p(this);
    p.fillRect(rect(), tokens().paper);
    p.fillRect(QRect(0, 0, width(), 2), tokens().ink);
}

} // namespace app
