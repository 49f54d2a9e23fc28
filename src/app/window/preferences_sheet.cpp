#include "app/window/preferences_sheet.h"

#include "app/session/session.h"
#include "app/widgets/controls.h"
#include "app/widgets/figure.h"
#include "app/widgets/text.h"
#include "app/widgets/tokens.h"
#include "app/widgets/words.h"
#include "base/utf8.h"

#include <QComboBox>
#include <QLabel>
#include <QListWidget>
#include <QPointer>
#include <QPushButton>
#include <QStackedWidget>
#include <QVBoxLayout>
#include <cmath>

namespace app {

namespace {

QString gainText(double db) {
    return QString::number(db, 'f', 1).replace('-', QChar(0x2212)) + " dB";
}

} // namespace

PreferencesSheet::PreferencesSheet(Session& session, QWidget* parent) : QDialog(parent), session_(session) {
    setObjectName("preferencesSheet");
    setWindowTitle(tr("Preferences"));
    resize(680, 420);
    groups_ = new QListWidget(this);
    groups_->setObjectName("preferenceGroups");
    groups_->setAccessibleName(tr("Groups of preferences"));
    groups_->setFixedWidth(150);
    groups_->setFrameShape(QFrame::NoFrame);
    groups_->setFont(textFont(sizes::strong));
    pages_ = new QStackedWidget(this);
    auto* row = new QHBoxLayout(this);
    row->setContentsMargins(14, 14, 14, 14);
    row->setSpacing(18);
    row->addWidget(groups_);
    row->addWidget(pages_, 1);
    addDevice();
    addPlaying();
    addProject();
    addSources();
    addTogether();
    addProof();
    addLook();
    connect(groups_, &QListWidget::currentRowChanged, pages_, &QStackedWidget::setCurrentIndex);
    groups_->setCurrentRow(0);
    connect(&session_, &Session::changed, this, &PreferencesSheet::refresh);
    refresh();
}

QVBoxLayout* PreferencesSheet::group(const QString& title) {
    groups_->addItem(title);
    auto* page = new QWidget(pages_);
    auto* layout = new QVBoxLayout(page);
    layout->setContentsMargins(0, 0, 0, 0);
    layout->setSpacing(4);
    auto* heading = new QLabel(title, page);
    heading->setFont(textFont(16, QFont::DemiBold));
    layout->addWidget(heading);
    layout->addSpacing(6);
    pages_->addWidget(page);
    return layout;
}

// Without a line on what it changes it stands close to the next one.
void PreferencesSheet::add(QVBoxLayout* page, const QString& title, QWidget* control, const QString& changes) {
    auto* row = new QHBoxLayout;
    auto* name = new QLabel(title);
    name->setFont(textFont(sizes::strong));
    name->setBuddy(control);
    row->addWidget(name, 1);
    row->addWidget(control);
    page->addLayout(row);
    if (changes.isEmpty()) return;
    QLabel* line = label(changes);
    line->setWordWrap(true);
    page->addWidget(line);
    page->addSpacing(10);
}

void PreferencesSheet::addAsked(QVBoxLayout* page, Asked::Group group) {
    for (const PreferenceEntry& entry : preferenceTable())
        if (entry.asked && entry.asked->group == group)
            add(page, entry.asked->title, controlOf(entry), entry.asked->tells);
}

QWidget* PreferencesSheet::controlOf(const PreferenceEntry& entry) {
    if (entry.asked->choices.empty()) return figureOf(entry);
    return choice(entry.asked->name, entry.asked->title, entry.asked->choices,
                  preferenceOf(session_.preferences(), entry.key), [this, key = entry.key](const QVariant& v) {
                      prefer([&](Preferences& p) { setPreference(p, key, v); });
                  });
}

QWidget* PreferencesSheet::figureOf(const PreferenceEntry& entry) {
    auto* figure = new Figure(entry.asked->title, 16, this);
    figure->setObjectName(entry.asked->name);
    figure->setRoomFor(QStringLiteral("±00.0 %"));
    const auto now = [this, key = entry.key] { return preferenceOf(session_.preferences(), key).toDouble(); };
    const auto show = [figure, now] { figure->setText(QStringLiteral("±%1 %").arg(now(), 0, 'f', 0)); };
    const auto set = [this, key = entry.key, show](double percent) {
        prefer([&](Preferences& p) { setPreference(p, key, percent); });
        show();
    };
    connect(figure, &Figure::turned, this, [now, set](int steps, bool) { set(now() + steps); });
    connect(figure, &Figure::typed, this, [this, set](const QString& text) {
        if (const auto v = numberIn(QString(text).remove(QStringLiteral("±"))))
            set(std::abs(*v));
        else
            session_.say(tr("“%1” is not a percentage.").arg(text));
    });
    show();
    return figure;
}

QComboBox* PreferencesSheet::choice(const QString& name, const QString& title,
                                    const std::vector<std::pair<QString, QVariant>>& all, const QVariant& now,
                                    std::function<void(const QVariant&)> take) {
    auto* box = new QComboBox(this);
    box->setObjectName(name);
    box->setAccessibleName(title);
    box->setMaximumWidth(260);
    for (const auto& [text, value] : all)
        box->addItem(text, value);
    if (box->findData(now) < 0) box->addItem(now.toString(), now);
    box->setCurrentIndex(box->findData(now));
    connect(box, &QComboBox::activated, this, [box, take = std::move(take)](int i) { take(box->itemData(i)); });
    return box;
}

void PreferencesSheet::prefer(const std::function<void(Preferences&)>& change) {
    Preferences p = session_.preferences();
    const Theme before = p.theme;
    change(p);
    session_.prefer(p);
    if (p.theme == before) return;
    setTheme(p.theme);
    for (QWidget* w : parentWidget()->findChildren<QWidget*>())
        w->update();
}

void PreferencesSheet::addDevice() {
    QVBoxLayout* page = group(tr("Sound device"));
    const play::OutputChoice& now = session_.preferences().output;
    std::vector<std::pair<QString, QVariant>> devices = {{tr("system default"), QString()},
                                                         {tr("none: simulated, silent"), QStringLiteral("-")}};
    QComboBox* device = choice("outputDevice", tr("Sound device"), devices,
                               now.simulated ? QStringLiteral("-") : qt(now.device), [this](const QVariant& v) {
                                   prefer([&](Preferences& p) {
                                       p.output.simulated = v.toString() == "-";
                                       p.output.device =
                                           p.output.simulated ? std::string() : v.toString().toStdString();
                                   });
                               });
    // Which there are takes a moment to find out.
    session_.jobs().start<std::vector<std::string>>(
        Lane::Device, tr("Looking for sound devices"), [](const base::Progress&) { return play::outputDevices(); },
        [device = QPointer<QComboBox>(device)](const std::vector<std::string>& names) {
            for (const std::string& name : names)
                if (device && device->findData(qt(name)) < 0) device->addItem(qt(name), qt(name));
        });
    add(page, tr("Device"), device,
        tr("Where the sound goes. A simulated one plays in real time, and nobody hears it."));
    addAsked(page, Asked::Group::Device);
    page->addStretch(1);
}

void PreferencesSheet::addPlaying() {
    QVBoxLayout* page = group(tr("Playing"));
    click_ = new Figure(tr("Level of the click"), 16, this);
    click_->setObjectName("clickLevel");
    click_->setRoomFor(QStringLiteral("−00.0 dB"));
    output_ = new Figure(tr("Gain of the output"), 16, this);
    output_->setObjectName("outputLevel");
    output_->setRoomFor(QStringLiteral("−00.0 dB"));
    Document& doc = session_.document();
    const auto connectGain = [this](Figure* f, const std::function<double()>& now,
                                    const std::function<void(double)>& set) {
        connect(f, &Figure::turned, this, [now, set](int steps, bool fine) {
            set(std::clamp(now() + steps * (fine ? 0.1 : 0.5), project::quietestDb, project::loudestDb));
        });
        connect(f, &Figure::typed, this, [this, set](const QString& text) {
            if (const auto v = numberIn(text))
                set(*v);
            else
                session_.say(tr("“%1” is not a gain in decibels.").arg(text));
        });
    };
    connectGain(
        click_, [this] { return session_.now().view.clickDb; }, [&doc](double db) { doc.setClickGain(db); });
    connectGain(
        output_, [this] { return session_.now().view.outputDb; }, [&doc](double db) { doc.setOutputGain(db); });
    add(page, tr("Click"), click_, tr("How loud the click on the beats is; the first of a bar is accented."));
    add(page, tr("Output"), output_,
        tr("A gain on all that is heard, the click too; what is delivered has none of it."));
    std::vector<std::pair<QString, QVariant>> bars = {{tr("none"), 0}};
    for (int n = 1; n <= project::mostCountIn; ++n)
        bars.emplace_back(n == 1 ? tr("1 bar") : tr("%1 bars").arg(n), n);
    add(page, tr("Count-in"),
        choice("countInBars", tr("Count-in"), bars, session_.now().view.countIn,
               [&doc](const QVariant& v) { doc.setCountIn(v.toInt()); }),
        tr("Bars of click before it plays."));
    page->addStretch(1);
}

void PreferencesSheet::addProject() {
    QVBoxLayout* page = group(tr("This project"));
    std::vector<std::pair<QString, QVariant>> rates;
    for (const int rate : {44100, 48000, 88200, 96000, 176400, 192000})
        rates.emplace_back(QString::number(rate / 1000.0) + " kHz", rate);
    rate_ = choice("projectRate", tr("Rate of the project"), rates, session_.now().rate,
                   [this](const QVariant& v) { session_.sounds().setRate(v.toInt()); });
    add(page, tr("Sample rate"), rate_,
        tr("At which everything is rendered and delivered. Changed, all audio is read anew from its files."));
    std::vector<std::pair<QString, QVariant>> rules;
    rules.reserve(project::timeRules.size());
    for (const project::TimeRuleEntry& entry : project::timeRules)
        rules.emplace_back(ruleWord(entry.rule), static_cast<int>(entry.rule));
    add(page, tr("Time rule"),
        choice("projectRule", tr("Time rule of the project"), rules, static_cast<int>(session_.now().rule),
               [this](const QVariant& v) {
                   session_.edit(tr("Time rule"), project::setProjectRule(
                                                      session_.now(), static_cast<project::TimeRule>(v.toInt())));
               }),
        tr("What clips do when the tempo changes, where neither they nor their track say otherwise."));
    page->addStretch(1);
}

void PreferencesSheet::addSources() {
    QVBoxLayout* page = group(tr("New sources"));
    addAsked(page, Asked::Group::NewSources);
    auto* empty = button(tr("Empty the cache"), {}, this);
    empty->setObjectName("emptyStore");
    connect(empty, &QPushButton::clicked, this, [this, empty] {
        session_.sounds().emptyStore();
        empty->setEnabled(false);
    });
    add(page, tr("Cache"), empty,
        tr("Decoded and fitted audio, %1 GB in %2, there at once the next time. All of it can be made again.")
            .arg(double(session_.store().bytes()) / 1e9, 0, 'f', 1)
            .arg(qt(base::shownPath(session_.store().folder()))));
    page->addStretch(1);
}

void PreferencesSheet::addTogether() {
    QVBoxLayout* page = group(tr("Other programs"));
    addAsked(page, Asked::Group::Together);
    const TogetherWays& now = session_.preferences().together;
    const std::vector<std::pair<QString, QVariant>> none{{tr("none"), QString()}};
    QComboBox* in = choice("midiIn", tr("MIDI in"), none, qt(now.midiIn), [this](const QVariant& v) {
        prefer([&](Preferences& p) { p.together.midiIn = v.toString().toStdString(); });
    });
    QComboBox* out = choice("midiOut", tr("MIDI out"), none, qt(now.midiOut), [this](const QVariant& v) {
        prefer([&](Preferences& p) { p.together.midiOut = v.toString().toStdString(); });
    });
    using Ports = std::pair<std::vector<std::string>, std::vector<std::string>>;
    session_.jobs().start<Ports>(
        Lane::Device, tr("Looking for MIDI ports"),
        [](const base::Progress&) { return Ports(play::midiInputs(), play::midiOutputs()); },
        [in = QPointer<QComboBox>(in), out = QPointer<QComboBox>(out)](const Ports& ports) {
            const auto fill = [](QComboBox* box, const std::vector<std::string>& names) {
                for (const std::string& name : names)
                    if (box->findData(qt(name)) < 0) box->addItem(qt(name), qt(name));
            };
            if (in) fill(in, ports.first);
            if (out) fill(out, ports.second);
        });
    add(page, tr("MIDI in"), in, tr("The clock that comes in here may lead, or its tempo be taken."));
    addAsked(page, Asked::Group::Pads);
    add(page, tr("MIDI out"), out, tr("The project's clock goes out here: its tempo, starts, stops and places."));
    page->addStretch(1);
}

void PreferencesSheet::addProof() {
    QVBoxLayout* page = group(tr("Proof and strain"));
    addAsked(page, Asked::Group::Proof);
    page->addStretch(1);
}

void PreferencesSheet::addLook() {
    QVBoxLayout* page = group(tr("Appearance"));
    addAsked(page, Asked::Group::Appearance);
    page->addStretch(1);
}

void PreferencesSheet::refresh() {
    click_->setText(gainText(session_.now().view.clickDb));
    output_->setText(gainText(session_.now().view.outputDb));
    if (const int at = rate_->findData(session_.now().rate); at >= 0) rate_->setCurrentIndex(at);
}

} // namespace app
