#include "app/shelf/filter_strip.h"

#include "app/shelf/chip_flow.h"
#include "app/widgets/controls.h"
#include "app/widgets/text.h"
#include "app/widgets/tokens.h"
#include "app/widgets/words.h"
#include "metre/tempo.h"

#include <QCheckBox>
#include <QComboBox>
#include <QGridLayout>
#include <QHBoxLayout>
#include <QLabel>
#include <QLineEdit>
#include <QPushButton>
#include <QVBoxLayout>
#include <algorithm>

namespace app {

namespace {
constexpr double nearPercent = 8; // about as far as everything bears it (common practice)
}

FilterStrip::FilterStrip(QWidget* parent) : QWidget(parent) {
    setObjectName("filterStrip");
    chips_ = new ChipFlow(this);
    chips_->setAccessibleName(tr("Filters of the library"));

    const QString percent = QString::number(nearPercent, 'f', 0);
    near_ = chip(tr("± %1 %").arg(percent),
                 tr("Within %1 % of the project's tempo, of its half or of its double").arg(percent));
    near_->setObjectName("filterNear");
    related_ =
        chip(tr("related key"), tr("In the project's key, or in one closely related by the circle of fifths"));
    related_->setObjectName("filterRelated");
    favourites_ = chip(tr("favourites"), tr("Only favourites"));
    favourites_->setObjectName("filterFavourites");
    for (const hear::Kind kind : {hear::Kind::Struck, hear::Kind::Bass, hear::Kind::Keys, hear::Kind::Held,
                                  hear::Kind::Voice, hear::Kind::Mix, hear::Kind::OneHit, hear::Kind::NoBeat}) {
        kinds_.emplace_back(chip(kindText(kind), tr("This kind of sound")), kind);
        kinds_.back().first->setObjectName(QStringLiteral("filterKind_%1").arg(hear::kindWord(kind)));
    }
    modes_ = {{chip(tr("major"), tr("In a major key")), shelf::Mode::Major},
              {chip(tr("minor"), tr("In a minor key")), shelf::Mode::Minor},
              {chip(tr("no key"), tr("No key known")), shelf::Mode::Neither}};
    for (const auto& [b, mode] : modes_)
        connect(b, &QPushButton::clicked, this, [this, b = b](bool on) {
            for (const auto& other : modes_)
                if (on && other.first != b) other.first->setChecked(false);
        });

    more_ = button(tr("Filters"), tr("All filters, exact limits and the order"), this);
    more_->setObjectName("filterMore");
    more_->setCheckable(true);
    more_->setStyleSheet("QPushButton { padding: 2px 7px; }");
    addLimits();
    auto* line = new QHBoxLayout;
    line->setContentsMargins(0, 0, 0, 0);
    line->setSpacing(4);
    line->addWidget(chips_, 1, Qt::AlignTop);
    line->addWidget(more_, 0, Qt::AlignTop);
    auto* all = new QVBoxLayout(this);
    all->setContentsMargins(10, 0, 10, 4);
    all->setSpacing(4);
    all->addLayout(line);
    all->addWidget(limits_);
    connect(more_, &QPushButton::toggled, this, &FilterStrip::fold);
    fold(false);
}

QPushButton* FilterStrip::chip(const QString& text, const QString& tip) {
    QPushButton* b = toggle(text, tip, chips_);
    b->setStyleSheet("QPushButton { padding: 2px 7px; }");
    chips_->add(b);
    connect(b, &QPushButton::clicked, this, &FilterStrip::changed, Qt::QueuedConnection);
    return b;
}

void FilterStrip::addLimits() {
    limits_ = new QWidget(this);
    limits_->setObjectName("filterLimits");
    buildLimits();
    auto* grid = new QGridLayout(limits_);
    grid->setContentsMargins(0, 2, 0, 4);
    grid->setHorizontalSpacing(6);
    grid->setVerticalSpacing(4);
    grid->setColumnStretch(1, 1);
    grid->setColumnStretch(3, 1);
    const auto pair = [&](int r, const QString& title, QWidget* from, const QString& between, QWidget* to) {
        grid->addWidget(label(title, limits_), r, 0);
        grid->addWidget(from, r, 1);
        grid->addWidget(label(between, limits_), r, 2);
        grid->addWidget(to, r, 3);
    };
    pair(0, tr("Tempo"), low_, tr("to"), high_);
    grid->addWidget(octaves_, 1, 1, 1, 3);
    pair(2, tr("Key"), key_, {}, relation_);
    pair(3, tr("Seconds"), shortest_, tr("to"), longest_);
    grid->addWidget(label(tr("Order"), limits_), 4, 0);
    grid->addWidget(order_, 4, 1, 1, 3);
    grid->addWidget(present_, 5, 1, 1, 3);
    for (QComboBox* box : {key_, relation_})
        box->setStyleSheet("QComboBox { padding: 3px 6px; min-width: 30px; }");
    for (QComboBox* box : {key_, relation_, order_})
        connect(box, &QComboBox::activated, this, &FilterStrip::changed);
    for (QCheckBox* box : {octaves_, present_})
        connect(box, &QCheckBox::clicked, this, &FilterStrip::changed);
}

void FilterStrip::buildLimits() {
    const auto field = [this](const char* name, const QString& title, const QString& hint) {
        auto* edit = new QLineEdit(limits_);
        edit->setObjectName(name);
        edit->setAccessibleName(title);
        edit->setPlaceholderText(hint);
        connect(edit, &QLineEdit::textEdited, this, &FilterStrip::changed);
        return edit;
    };
    low_ = field("filterLow", tr("Slowest tempo"), tr("any"));
    high_ = field("filterHigh", tr("Fastest tempo"), tr("any"));
    octaves_ = new QCheckBox(tr("halves and doubles too"), limits_);
    octaves_->setObjectName("filterOctaves");
    key_ = new QComboBox(limits_);
    key_->setObjectName("filterKey");
    key_->setAccessibleName(tr("Key"));
    key_->addItem(tr("any key"), -1);
    for (int k = 0; k < 24; ++k)
        key_->addItem(qt(hear::keyLabel({k % 12, k >= 12})), k);
    relation_ = new QComboBox(limits_);
    relation_->setObjectName("filterRelation");
    relation_->setAccessibleName(tr("Relation to that key"));
    relation_->addItem(tr("same"), static_cast<int>(shelf::KeyRelation::Same));
    relation_->addItem(tr("related"), static_cast<int>(shelf::KeyRelation::Related));
    shortest_ = field("filterShortest", tr("Shortest, in seconds"), tr("any"));
    longest_ = field("filterLongest", tr("Longest, in seconds"), tr("any"));
    order_ = new QComboBox(limits_);
    order_->setObjectName("filterOrder");
    order_->setAccessibleName(tr("Order"));
    for (const auto& [text, order] :
         {std::pair(tr("by name"), shelf::SortedBy::Name), std::pair(tr("best match first"), shelf::SortedBy::Goes),
          std::pair(tr("by tempo"), shelf::SortedBy::Tempo), std::pair(tr("by key"), shelf::SortedBy::Key),
          std::pair(tr("by kind"), shelf::SortedBy::Kind), std::pair(tr("by length"), shelf::SortedBy::Length)})
        order_->addItem(text, static_cast<int>(order));
    present_ = new QCheckBox(tr("only files that are there and whole"), limits_);
}

void FilterStrip::fold(bool open) {
    limits_->setVisible(open);
    chips_->setOneLine(!open);
}

void FilterStrip::setTags(const std::vector<std::string>& tags) {
    std::vector<std::string> had;
    for (const auto& [b, tag] : tags_)
        had.push_back(tag);
    if (had == tags) return;
    std::vector<std::string> checked;
    for (const auto& [b, tag] : tags_) {
        if (b->isChecked()) checked.push_back(tag);
        chips_->remove(b);
        delete b;
    }
    tags_.clear();
    for (const std::string& tag : tags) {
        QPushButton* b = chip(qt(tag), tr("One of your own tags"));
        b->setChecked(std::find(checked.begin(), checked.end(), tag) != checked.end());
        tags_.emplace_back(b, tag);
    }
}

void FilterStrip::openLimits() {
    more_->setChecked(true);
}

bool FilterStrip::isEmpty() const {
    const auto buttons = chips_->findChildren<QPushButton*>();
    return std::none_of(buttons.begin(), buttons.end(), [](const QPushButton* b) { return b->isChecked(); }) &&
           low_->text().isEmpty() && high_->text().isEmpty() && key_->currentIndex() == 0 &&
           shortest_->text().isEmpty() && longest_->text().isEmpty() && !present_->isChecked();
}

void FilterStrip::clear() {
    for (QPushButton* b : chips_->findChildren<QPushButton*>())
        b->setChecked(false);
    for (QLineEdit* edit : {low_, high_, shortest_, longest_})
        edit->clear();
    key_->setCurrentIndex(0);
    present_->setChecked(false);
    octaves_->setChecked(false);
    emit changed();
}

shelf::Query FilterStrip::query(std::optional<metre::Bpm> projectTempo, std::optional<hear::Key> projectKey) const {
    shelf::Query q;
    q.favourites = favourites_->isChecked();
    for (const auto& [b, kind] : kinds_)
        if (b->isChecked()) q.kinds.push_back(kind);
    for (const auto& [b, mode] : modes_)
        if (b->isChecked()) q.mode = mode;
    for (const auto& [b, tag] : tags_)
        if (b->isChecked()) q.tags.push_back(tag);
    const auto low = metre::parseTempo(low_->text().toStdString());
    const auto high = metre::parseTempo(high_->text().toStdString());
    if (low || high) {
        q.tempo = hear::Window{low ? *low : metre::slowestTempo, high ? *high : metre::fastestTempo};
        q.octaves = octaves_->isChecked();
    } else if (near_->isChecked() && projectTempo) {
        q.tempo = hear::Window{metre::Bpm(projectTempo->value / (1 + nearPercent / 100)),
                               metre::Bpm(projectTempo->value * (1 + nearPercent / 100))};
        q.octaves = true;
    }
    if (const int key = key_->currentData().toInt(); key >= 0) {
        q.key = hear::Key{key % 12, key >= 12};
        q.relation = static_cast<shelf::KeyRelation>(relation_->currentData().toInt());
    } else if (related_->isChecked() && projectKey) {
        q.key = projectKey;
        q.relation = shelf::KeyRelation::Related;
    }
    if (const auto seconds = numberIn(shortest_->text())) q.shortest = metre::Seconds(*seconds);
    if (const auto seconds = numberIn(longest_->text())) q.longest = metre::Seconds(*seconds);
    q.order = static_cast<shelf::SortedBy>(order_->currentData().toInt());
    q.projectTempo = projectTempo;
    q.projectKey = projectKey;
    q.withGone = q.withDamaged = !present_->isChecked();
    return q;
}

} // namespace app
