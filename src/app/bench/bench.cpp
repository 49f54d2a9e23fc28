#include "app/bench/bench.h"

#include "app/bench/by_ear.h"
#include "app/bench/rails_view.h"
#include "app/bench/selection_list.h"
#include "app/bench/source_column.h"
#include "app/bench/tempo_plot.h"
#include "app/card/card.h"
#include "app/session/session.h"
#include "app/widgets/controls.h"
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
#include <QScrollArea>
#include <QScrollBar>
#include <QSplitter>
#include <QTimer>
#include <QVBoxLayout>
#include <algorithm>
#include <numeric>

namespace app {

namespace {

// A column that scrolls where it has no room.
QScrollArea* roomFor(QWidget* content, const char* name, const QString& accessible, int width, QWidget* parent) {
    auto* room = new QScrollArea(parent);
    room->setObjectName(name);
    room->setAccessibleName(accessible);
    room->setFrameShape(QFrame::NoFrame);
    room->setWidgetResizable(true);
    room->setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
    room->setFixedWidth(width);
    room->setWidget(content);
    room->viewport()->setAutoFillBackground(false);
    content->setAutoFillBackground(false);
    return room;
}

} // namespace

Bench::Bench(Session& session, QWidget* parent) : QWidget(parent), session_(session) {
    setObjectName("bench");
    buildHead();
    buildBody();
    auto* all = new QVBoxLayout(this);
    all->setContentsMargins(12, 8, sizes::margin, 8);
    all->setSpacing(6);
    all->addWidget(head_);
    all->addWidget(body_, 1);
    connectParts();
    refresh();
}

void Bench::buildHead() {
    auto* title = new QLabel(tr("Bench"), this);
    title->setFont(textFont(sizes::strong, QFont::DemiBold));
    name_ = new QLabel(this);
    name_->setFont(textFont(sizes::text));
    name_->setSizePolicy(QSizePolicy::Ignored, QSizePolicy::Preferred);
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
    head->addWidget(name_, 1);
    head->addWidget(facts_);
    head->addWidget(foldHint_);
}

void Bench::buildBody() {
    rails_ = new RailsView(session_, this);
    byEar_ = new ByEar(session_, *rails_, this);
    plot_ = new TempoPlot(*rails_, this);
    column_ = new SourceColumn(session_, *byEar_, this);
    card_ = new Card(session_, this);
    many_ = new SelectionList(this);
    connect(&session_, &Session::proven, this, [this] {
        if (many_->isVisible()) many_->show(session_); // what was measured meanwhile
    });

    oneSource_ = new QWidget(this);
    auto* one = new QVBoxLayout(oneSource_);
    one->setContentsMargins(0, 0, 0, 0);
    one->setSpacing(4);
    one->addWidget(plot_);
    one->addWidget(byEar_);
    one->addWidget(rails_, 1);
    scroll_ = new QScrollBar(Qt::Horizontal, this);
    scroll_->setObjectName("railsScroll");
    scroll_->setAccessibleName(tr("Scrolls both rails"));
    one->addWidget(scroll_);

    body_ = new QWidget(this);
    auto* body = new QHBoxLayout(body_);
    body->setContentsMargins(0, 0, 0, 0);
    body->setSpacing(16);
    body->addWidget(roomFor(column_, "columnRoom", tr("What is known of the source"), 214, this));
    auto* middle = new QVBoxLayout;
    middle->addWidget(oneSource_, 1);
    middle->addWidget(many_, 1);
    body->addLayout(middle, 1);
    body->addWidget(roomFor(card_, "cardRoom", tr("Card: settings of the selection"), 262, this));
}

void Bench::connectParts() {
    connect(column_, &SourceColumn::typingAsked, this, &Bench::typeTempo);
    connect(column_, &SourceColumn::straightenAsked, this, &Bench::straightenAsked);
    connect(column_, &SourceColumn::leadAsked, this, &Bench::leadAsked);
    connect(column_, &SourceColumn::takeTimeAsked, this, &Bench::takeTimeAsked);
    connect(rails_, &RailsView::menuAsked, this, &Bench::railMenuAsked);
    connect(rails_, &RailsView::rawAsked, this, [this](double from) {
        if (from < 0)
            byEar_->hear(false);
        else
            byEar_->hear(true, metre::Seconds(from));
    });
    connect(rails_, &RailsView::fittedAsked, this, [this](double beat) {
        session_.player().stopRaw();
        session_.goTo(Beats(std::max(0.0, beat)), true);
        if (!session_.player().isPlaying()) session_.togglePlay();
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
    connectScrolling();
    connect(rails_, &RailsView::triedTurned, byEar_, &ByEar::turn);
    connect(rails_, &RailsView::triedScaled, byEar_, &ByEar::scale);
    connect(&session_, &Session::changed, this, &Bench::refresh);
    connect(&session_, &Session::selectionChanged, this, &Bench::refresh);
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
    foldHint_->setText(nothing ? QString() : folded_ ? tr("B opens") : tr("B folds"));
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
    if (clips.size() > 1) return tr("%1 clips selected").arg(clips.size());
    const project::SourcePtr s = selected();
    if (!s) return tr("Nothing is selected");
    QString text = qt(base::shownName(s->file));
    if (s->beats) {
        text += " " + qt(metre::tempoLabel(s->beats->meanTempo()));
        if (s->chosen) text += tr(" (%1)").arg(QString::fromLatin1(hear::witnessLabel(*s->chosen)).toLower());
    } else {
        text += tr(", no beat is known");
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
                         tr(prove::verdictWord(strain.verdict)));
    } else {
        text += QStringLiteral(" · %1").arg(ruleWord(clip->rule));
    }
    return text;
}

project::SourcePtr Bench::selected() const {
    const auto id = session_.selection().source;
    return id ? project::sourceOf(session_.now(), *id) : nullptr;
}

void Bench::swapCompared() {
    card_->swapCompared();
}

void Bench::typeTempo() {
    card_->typeTempo();
}

void Bench::refresh() {
    const auto& clips = session_.selection().clips;
    const project::SourcePtr s = selected();
    const bool several = clips.size() > 1;
    many_->show(session_);
    many_->setVisible(several);
    oneSource_->setVisible(!several);
    // Of what runs at one tempo there is little to see in it: the rails have the room, unless there is plenty.
    plot_->setVisible(s && s->beats && (!project::isSteady(*s) || height() > 470));
    rails_->refresh();
    byEar_->show(s);
    column_->show(s);
    plot_->update();
    refreshFold();
    refreshHead(s);
}

void Bench::refreshHead(const project::SourcePtr& s) {
    if (isLine_) {
        const QString text = sentence();
        name_->setText(name_->fontMetrics().elidedText(text, Qt::ElideMiddle, std::max(200, width() - 180)));
        name_->setToolTip(text);
        facts_->clear();
        return;
    }
    if (!s) {
        const auto clips = static_cast<int>(session_.selection().clips.size());
        name_->setText(clips > 1 ? tr("%1 clips selected").arg(clips)
                                 : tr("Select a clip or a source to work on it here."));
        facts_->clear();
        return;
    }
    const bool isFree = s->beats && !project::isSteady(*s);
    facts_->setText(
        tr("%1 · %2 kHz %3 · %4 s")
            .arg(qt(s->facts.format), QString::number(s->facts.rate / 1000.0),
                 s->facts.channels == 1 ? tr("mono") : tr("stereo"), QString::number(s->length().value, 'f', 3)) +
        (s->key ? QStringLiteral(" · ") + qt(hear::keyLabel(*s->key)) : QString()) + QStringLiteral(" · ") +
        QString::fromLatin1(hear::kindLabel(s->kind)) + (isFree ? tr(" · played free") : QString()) +
        (s->set ? tr(" · set of %n", nullptr, static_cast<int>(project::togetherWith(session_.now(), s->id).size()))
                : QString()));
    layout()->activate(); // the facts decide how much room the name has
    name_->setText(name_->fontMetrics().elidedText(qt(base::shownName(s->file)), Qt::ElideMiddle, name_->width()));
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
