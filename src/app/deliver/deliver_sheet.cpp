#include "app/deliver/deliver_sheet.h"

#include "app/deliver/deliver_list.h"
#include "app/session/session.h"
#include "app/widgets/controls.h"
#include "app/widgets/figure.h"
#include "app/widgets/text.h"
#include "app/widgets/tokens.h"
#include "base/utf8.h"

#include <QCheckBox>
#include <QComboBox>
#include <QDir>
#include <QFileDialog>
#include <QGridLayout>
#include <QHeaderView>
#include <QLabel>
#include <QLineEdit>
#include <QLocale>
#include <QPushButton>
#include <QStandardPaths>
#include <algorithm>

namespace app {

using deliver::What;

namespace {

QString wordFor(What what) {
    switch (what) {
    case What::Loops:
        return QObject::tr("Fitted loops");
    case What::Stems:
        return QObject::tr("Stems, a track each");
    case What::Mix:
        return QObject::tr("Mix");
    case What::Click:
        return QObject::tr("Click");
    case What::Map:
        return QObject::tr("Tempo map (MIDI)");
    case What::Proof:
        break;
    }
    return QObject::tr("Proof (page and table)");
}

} // namespace

DeliverSheet::DeliverSheet(Session& session, QWidget* parent) : QDialog(parent), session_(session) {
    setWindowTitle(tr("Deliver"));
    setObjectName("deliverSheet");
    resize(860, 600);
    auto* left = new QVBoxLayout;
    left->setSpacing(7);
    addWhat(*left);
    auto* grid = new QGridLayout;
    grid->setVerticalSpacing(9);
    grid->setHorizontalSpacing(10);
    grid->setColumnStretch(1, 1);
    addWhere(*grid);
    addRange(*grid);
    buildFoot();

    auto* above = new QHBoxLayout;
    above->setSpacing(26);
    above->addLayout(left);
    above->addLayout(grid, 1);
    auto* foot = new QHBoxLayout;
    foot->setSpacing(8);
    foot->addWidget(replace_);
    foot->addStretch(1);
    foot->addWidget(close_);
    foot->addWidget(deliver_);
    auto* all = new QVBoxLayout(this);
    all->setContentsMargins(18, 16, 18, 16);
    all->setSpacing(12);
    all->addLayout(above);
    all->addWidget(files_, 1);
    all->addWidget(trouble_);
    all->addLayout(foot);
    connectParts();
    refresh();
}

// The list of files, and what stands under it.
void DeliverSheet::buildFoot() {
    files_ = new DeliverList(this);
    replace_ = new QCheckBox(tr("Replace the files that are there already"), this);
    replace_->setObjectName("deliverReplace");
    trouble_ = new QLabel(this);
    trouble_->setObjectName("deliverTrouble");
    trouble_->setWordWrap(true);
    deliver_ = button(tr("Deliver"), tr("Write these files"), this);
    deliver_->setObjectName("deliverButton");
    deliver_->setProperty("primary", true);
    deliver_->setDefault(true);
    close_ = button(tr("Close"), {}, this);
    close_->setObjectName("deliverClose");
}

void DeliverSheet::connectParts() {
    connect(close_, &QPushButton::clicked, this, [this] {
        if (isRunning())
            session_.jobs().cancel(job_);
        else
            close();
    });
    connect(deliver_, &QPushButton::clicked, this, &DeliverSheet::deliver);
    connect(replace_, &QCheckBox::toggled, this, &DeliverSheet::refresh);
    connect(&session_, &Session::changed, this, &DeliverSheet::refresh);
    connect(&session_, &Session::selectionChanged, this, &DeliverSheet::refresh);
    connect(&session_.delivery(), &Delivery::fileDone, this, &DeliverSheet::fileDone);
    connect(&session_.jobs(), &Jobs::ended, this, &DeliverSheet::ended);
    for (QLineEdit* e : {folder_, pattern_})
        connect(e, &QLineEdit::textChanged, this, &DeliverSheet::refresh);
    for (QComboBox* box : {kind_, depth_, quality_, rate_, level_})
        connect(box, &QComboBox::currentIndexChanged, this, &DeliverSheet::refresh);
    connect(tags_, &QCheckBox::toggled, this, &DeliverSheet::refresh);
}

void DeliverSheet::addWhat(QVBoxLayout& column) {
    auto* head = new QLabel(tr("Deliver"), this);
    head->setFont(textFont(sizes::strong, QFont::DemiBold));
    column.addWidget(head);
    const QStringList& wanted = session_.preferences().delivery.what;
    auto* grid = new QGridLayout;
    grid->setHorizontalSpacing(14);
    grid->setVerticalSpacing(8);
    for (const What what : deliver::allWhat()) {
        auto* box = new QCheckBox(wordFor(what), this);
        box->setObjectName(QStringLiteral("deliver-%1").arg(deliver::whatWord(what)));
        box->setFont(textFont(sizes::strong));
        box->setChecked(wanted.contains(QString::fromLatin1(deliver::whatWord(what))));
        auto* size = label({}, this);
        size->setMinimumWidth(104);
        size->setAlignment(Qt::AlignRight | Qt::AlignVCenter);
        const auto row = static_cast<int>(what_.size());
        grid->addWidget(box, row, 0);
        grid->addWidget(size, row, 1);
        what_.push_back(box);
        sizes_.push_back(size);
        connect(box, &QCheckBox::toggled, this, &DeliverSheet::refresh);
    }
    column.addLayout(grid);
    column.addStretch(1);
}

// How the files are written, as it was chosen last.
void DeliverSheet::buildWays() {
    const DeliverWays& ways = session_.preferences().delivery;
    folder_ = new QLineEdit(this);
    folder_->setObjectName("deliverFolder");
    folder_->setAccessibleName(tr("Folder"));
    const std::filesystem::path project = session_.document().folder();
    folder_->setText(project.empty() ? QStandardPaths::writableLocation(QStandardPaths::MusicLocation) + "/fitted"
                                     : qt(base::shownPath(project / "fitted")));
    pattern_ = new QLineEdit(ways.pattern, this);
    pattern_->setObjectName("deliverPattern");
    pattern_->setAccessibleName(tr("Name pattern of the loops"));
    pattern_->setToolTip(tr("{name}, {bpm}, {key}, {track}, {beats} and {number} are filled in."));
    level_ = choice("deliverLevel", tr("Level"));
    level_->addItem(tr("as it is"), static_cast<int>(deliver::Level::AsItIs));
    level_->addItem(tr("no higher than −1 dBTP"), static_cast<int>(deliver::Level::NoHigher));
    level_->addItem(tr("peak to −1 dBTP"), static_cast<int>(deliver::Level::Peak));
    level_->addItem(tr("loudness to −16 LUFS"), static_cast<int>(deliver::Level::Loudness));
    level_->setCurrentIndex(level_->findData(static_cast<int>(ways.level)));
    level_->setToolTip(
        tr("True peak and loudness as EBU R 128 measures them. Mix and stems get one gain, so that the stems "
           "still add up to the mix."));
    tags_ = new QCheckBox(tr("Tempo, key, beats and place written into the files"), this);
    tags_->setObjectName("deliverTags");
    tags_->setChecked(ways.tags);
}

QComboBox* DeliverSheet::choice(const char* name, const QString& title) {
    auto* box = new QComboBox(this);
    box->setObjectName(name);
    box->setAccessibleName(title);
    return box;
}

void DeliverSheet::buildFormat() {
    const DeliverWays& ways = session_.preferences().delivery;
    kind_ = choice("deliverKind", tr("Format"));
    for (const sound::FileKind kind : sound::fileKinds())
        kind_->addItem(QString::fromLatin1(sound::kindLabel(kind)), static_cast<int>(kind));
    kind_->setCurrentIndex(kind_->findData(static_cast<int>(ways.kind)));
    depth_ = choice("deliverDepth", tr("Bits"));
    depth_->addItem(tr("24 bit"), static_cast<int>(sound::Depth::Int24));
    depth_->addItem(tr("16 bit, dithered"), static_cast<int>(sound::Depth::Int16));
    depth_->addItem(tr("32 bit float"), static_cast<int>(sound::Depth::Float32));
    depth_->setCurrentIndex(depth_->findData(static_cast<int>(ways.depth)));
    quality_ = choice("deliverQuality", tr("Quality"));
    for (int q = 0; q <= 10; ++q)
        quality_->addItem(q == 0    ? tr("quality 0, smallest")
                          : q == 10 ? tr("quality 10, best")
                                    : tr("quality %1").arg(q),
                          q);
    quality_->setCurrentIndex(ways.quality);
    rate_ = choice("deliverRate", tr("Sample rate"));
    rate_->addItem(tr("as the project"), 0);
    for (const int rate : {44100, 48000, 88200, 96000, 176400, 192000})
        rate_->addItem(QString::number(rate / 1000.0) + " kHz", rate);
    rate_->setCurrentIndex(std::max(0, rate_->findData(ways.rate)));
}

void DeliverSheet::addWhere(QGridLayout& grid) {
    buildWays();
    buildFormat();
    auto* choose = button(tr("Choose…"), tr("Choose the folder"), this);
    grid.addWidget(label(tr("Folder"), this), 0, 0);
    grid.addWidget(folder_, 0, 1, 1, 3);
    grid.addWidget(choose, 0, 4);
    grid.addWidget(label(tr("Names"), this), 1, 0);
    grid.addWidget(pattern_, 1, 1, 1, 4);
    grid.addWidget(label(tr("Format"), this), 2, 0);
    auto* format = new QHBoxLayout;
    format->setSpacing(8);
    for (QComboBox* box : {kind_, depth_, quality_, rate_})
        format->addWidget(box);
    format->addStretch(1);
    grid.addLayout(format, 2, 1, 1, 4);
    grid.addWidget(label(tr("Level"), this), 3, 0);
    grid.addWidget(level_, 3, 1, Qt::AlignLeft);
    grid.addWidget(tags_, 5, 1, 1, 4);

    connect(choose, &QPushButton::clicked, this, [this] {
        const QString chosen =
            QFileDialog::getExistingDirectory(this, tr("Folder for what is delivered"), folder_->text(),
                                              QFileDialog::ShowDirsOnly | QFileDialog::DontUseNativeDialog);
        if (!chosen.isEmpty()) folder_->setText(chosen);
    });
}

void DeliverSheet::addRange(QGridLayout& grid) {
    const auto figure = [this](const char* name, const QString& title, const QString& room) {
        auto* f = new Figure(title, 16, this);
        f->setObjectName(name);
        f->setRoomFor(room);
        return f;
    };
    fromBar_ = figure("deliverFrom", tr("From bar"), "00000");
    toBar_ = figure("deliverTo", tr("To the end of bar"), "00000");
    tail_ = figure("deliverTail", tr("Tail in seconds"), "000.0 s");
    auto* row = new QHBoxLayout;
    row->setSpacing(6);
    row->addWidget(label(tr("bars"), this));
    row->addWidget(fromBar_);
    row->addWidget(label(tr("to"), this));
    row->addWidget(toBar_);
    row->addSpacing(10);
    row->addWidget(label(tr("and a tail of"), this));
    row->addWidget(tail_);
    row->addStretch(1);
    grid.addWidget(label(tr("Stems, mix"), this), 4, 0);
    grid.addLayout(row, 4, 1, 1, 4);
    const auto bar = [this](Figure* f, std::optional<int>& value, int usual) {
        const auto set = [this, &value](int n) {
            value = std::clamp(n, 1, 100000);
            refresh();
        };
        connect(f, &Figure::turned, this, [&value, set, f, usual](int steps, bool) {
            set(value.value_or(std::max(usual, f->text().toInt())) + steps);
        });
        connect(f, &Figure::typed, this, [this, &value, set](const QString& text) {
            bool isNumber = false;
            const int n = text.trimmed().toInt(&isNumber);
            if (text.trimmed().isEmpty()) {
                value.reset();
                refresh();
            } else if (isNumber) {
                set(n);
            } else {
                session_.say(tr("“%1” is not a bar number.").arg(text));
            }
        });
    };
    bar(fromBar_, from_, 1);
    bar(toBar_, to_, 1);
    const auto setTail = [this](double seconds) {
        tailSeconds_ = std::clamp(seconds, 0.0, deliver::longestTail.value);
        refresh();
    };
    connect(tail_, &Figure::turned, this,
            [this, setTail](int steps, bool fine) { setTail(tailSeconds_ + steps * (fine ? 0.1 : 1)); });
    connect(tail_, &Figure::typed, this, [this, setTail](const QString& text) {
        if (const auto v = numberIn(text))
            setTail(*v);
        else
            session_.say(tr("“%1” is not a number of seconds.").arg(text));
    });
}

deliver::Order DeliverSheet::order() const {
    deliver::Order o;
    o.what.clear();
    for (std::size_t i = 0; i < what_.size(); ++i)
        if (what_[i]->isChecked()) o.what.push_back(deliver::allWhat()[i]);
    o.clips = session_.document().selectedOrAllClips();
    o.folder = pathOf(QDir::cleanPath(folder_->text().trimmed()));
    o.pattern = pattern_->text().toStdString();
    const std::filesystem::path project = session_.document().folder();
    o.title = project.empty() ? std::string("untitled") : base::shownName(project);
    o.kind = static_cast<sound::FileKind>(kind_->currentData().toInt());
    o.depth = static_cast<sound::Depth>(depth_->currentData().toInt());
    o.quality = quality_->currentData().toInt();
    if (const int rate = rate_->currentData().toInt(); rate > 0) o.rate = rate;
    o.level = static_cast<deliver::Level>(level_->currentData().toInt());
    o.tags = tags_->isChecked();
    o.fromBar = from_;
    o.toBar = to_;
    o.tail = metre::Seconds(tailSeconds_);
    o.existing = replace_->isChecked() ? base::Existing::Replace : base::Existing::Refuse;
    o.tolerance = session_.proofs().tolerance();
    return o;
}

void DeliverSheet::refreshRange() {
    deliver::Order o = order();
    const auto span = deliver::spanOf(*session_.laid(), o);
    fromBar_->setText(QString::number(from_.value_or(1)));
    const int last = span ? session_.now().metre.barAt(span->to) - 1 : from_.value_or(1);
    toBar_->setText(QString::number(to_.value_or(last)));
    tail_->setText(tr("%1 s").arg(tailSeconds_, 0, 'f', 1));
}

// Where one kind cannot be, the others still can. What the files are called, and where they go, makes no difference
// to how many there are.
const std::vector<deliver::Planned>& DeliverSheet::planOfEverything(const deliver::Order& order) {
    deliver::Order all = order;
    all.what = deliver::allWhat();
    all.folder.clear();
    all.pattern = deliver::usualPattern;
    if (plannedOf_ == session_.laid() && plannedBy_ == all) return everything_;
    plannedOf_ = session_.laid();
    plannedBy_ = all;
    everything_ = planOf(std::move(all));
    return everything_;
}

std::vector<deliver::Planned> DeliverSheet::planOf(deliver::Order all) const {
    if (auto files = deliver::plan(*session_.laid(), all)) return std::move(*files);
    std::vector<deliver::Planned> files;
    for (const What what : deliver::allWhat()) {
        all.what = {what};
        if (const auto some = deliver::plan(*session_.laid(), all))
            files.insert(files.end(), some->begin(), some->end());
    }
    return files;
}

void DeliverSheet::refresh() {
    if (isRunning()) return;
    const auto kind = static_cast<sound::FileKind>(kind_->currentData().toInt());
    depth_->setVisible(!sound::isLossy(kind));
    quality_->setVisible(sound::isLossy(kind));
    refreshRange();
    const deliver::Order o = order();
    const auto wants = [&](What what) { return std::find(o.what.begin(), o.what.end(), what) != o.what.end(); };
    pattern_->setEnabled(wants(What::Loops));
    const bool ranged = wants(What::Stems) || wants(What::Mix) || wants(What::Click) || wants(What::Map);
    for (Figure* f : {fromBar_, toBar_, tail_})
        f->setEnabled(ranged);
    // Each kind, ticked or not: how many files that is.
    const std::vector<deliver::Planned>& everything = planOfEverything(o);
    for (std::size_t i = 0; i < what_.size(); ++i) {
        std::int64_t bytes = 0;
        int n = 0;
        for (const deliver::Planned& file : everything) {
            if (file.what != deliver::allWhat()[i]) continue;
            bytes += file.bytes;
            ++n;
        }
        sizes_[i]->setText(n == 0   ? QStringLiteral("–")
                           : n == 1 ? tr("1 file · %1").arg(sizeText(bytes))
                                    : tr("%1 files · %2").arg(n).arg(sizeText(bytes)));
    }
    const auto files = deliver::plan(*session_.laid(), o);
    QString trouble;
    const bool existing =
        files && std::any_of(files->begin(), files->end(), [](const auto& f) { return f.exists; });
    files_->plan(files.value_or(std::vector<deliver::Planned>()));
    if (o.what.empty())
        trouble = tr("Tick what is to be delivered.");
    else if (!files)
        trouble = translated(files.error().text);
    else if (folder_->text().trimmed().isEmpty())
        trouble = tr("Choose a folder.");
    else if (existing && !replace_->isChecked())
        trouble = tr("Some of these names are taken. Tick the box to replace those files, or choose another folder "
                     "or pattern.");
    else if (const int rate = deliver::rateOf(*session_.laid(), o); rate != o.rate.value_or(session_.now().rate))
        trouble = tr("%1 cannot hold %2 kHz: written at %3 kHz.")
                      .arg(QString::fromLatin1(sound::kindLabel(o.kind)))
                      .arg(o.rate.value_or(session_.now().rate) / 1000.0)
                      .arg(rate / 1000.0);
    replace_->setVisible(existing);
    trouble_->setText(trouble);
    const bool mayGo =
        !o.what.empty() && files && !folder_->text().trimmed().isEmpty() && (!existing || replace_->isChecked());
    trouble_->setVisible(!trouble.isEmpty());
    deliver_->setEnabled(mayGo);
    deliver_->setText(files && files->size() > 1 ? tr("Deliver %1 files").arg(files->size()) : tr("Deliver"));
    close_->setText(tr("Close"));
}

void DeliverSheet::remember() {
    const deliver::Order o = order();
    Preferences p = session_.preferences();
    p.delivery.what.clear();
    for (const What what : o.what)
        p.delivery.what << QString::fromLatin1(deliver::whatWord(what));
    p.delivery.pattern = pattern_->text();
    p.delivery.kind = o.kind;
    p.delivery.depth = o.depth;
    p.delivery.quality = o.quality;
    p.delivery.rate = o.rate.value_or(0);
    p.delivery.level = o.level;
    p.delivery.tags = o.tags;
    session_.prefer(p);
}

void DeliverSheet::deliver() {
    refresh(); // the disk may have changed since
    const deliver::Order o = order();
    auto files = deliver::plan(*session_.laid(), o);
    if (!files || !deliver_->isEnabled()) return;
    remember();
    running_ = *files;
    files_->begin();
    deliver_->setEnabled(false);
    close_->setText(tr("Cancel"));
    replace_->hide();
    trouble_->hide();
    job_ = session_.delivery().deliver(o, std::move(*files));
}

void DeliverSheet::fileDone(qint64 job, int file, bool written) {
    if (isRunning() && job == job_ && file < static_cast<int>(running_.size())) files_->done(file, written);
}

// What became of the files stays to be read.
void DeliverSheet::ended(qint64 job) {
    if (!isRunning() || job != job_) return;
    job_ = 0;
    files_->end();
    close_->setText(tr("Close"));
    deliver_->setText(tr("Delivered"));
}

} // namespace app
