#include "app/session/session.h"

#include "app/session/pace.h"
#include "app/widgets/text.h"
#include "base/user_folders.h"

namespace app {

namespace {

constexpr std::int64_t mostStored = std::int64_t(20) << 30; // bytes of decoded and rendered audio on disk

} // namespace

Session::Session(play::OpenedOutput output, QObject* parent)
    : QObject(parent), autosave_(document_), remembered_(document_), preferences_(loadPreferences()) {
    store_ = std::make_unique<sound::AudioStore>(base::cacheFolder() / "audio", mostStored);
    player_ = std::make_unique<play::Player>(
        std::move(output.output), [this] { mailbox_.post([this] { tick(); }); }, store_.get());
    player_->setProject(laid());
    library_ = std::make_unique<LibraryDesk>(jobs_, remembered_.memory());
    audition_ = std::make_unique<Audition>(*player_, *library_, *store_);
    audition_->setWays(preferences_.audition);
    proofs_ = std::make_unique<Proofs>(document_, *player_, jobs_);
    proofs_->setTolerance(preferences_.tolerance);
    const Common common{document_, jobs_, mailbox_, *store_, preferences_, voice_};
    device_ = std::make_unique<Device>(common, *player_, translated(output.told));
    together_ = std::make_unique<Together>(common, *player_);
    transport_ = std::make_unique<Transport>(common, *player_, *audition_, *device_);
    clipboard_ = std::make_unique<Clipboard>(common, *transport_);
    files_ = std::make_unique<Files>(common, autosave_, remembered_);
    importing_ = std::make_unique<Importing>(common, *library_, remembered_);
    listening_ = std::make_unique<Listening>(common, *library_, remembered_);
    sounds_ = std::make_unique<Sounds>(common);
    levels_ = std::make_unique<Levels>(common);
    delivery_ = std::make_unique<Delivery>(common, *player_, *proofs_, remembered_, *library_);
    tempoTaking_ = std::make_unique<TempoTaking>(common, *library_, remembered_);
    connectParts();
    auto* pace = new Pace(*player_, *audition_, timer_, this);
    connect(this, &Session::changed, pace, &Pace::wake);
    connect(this, &Session::selectionChanged, pace, &Pace::wake);
    connect(transport_.get(), &Transport::moved, pace, &Pace::wake);
    connect(audition_.get(), &Audition::changed, pace, &Pace::wake);
}

void Session::connectParts() {
    connect(&timer_, &QTimer::timeout, this, &Session::tick);
    connect(&voice_, &Voice::said, this, &Session::said);
    connect(&voice_, &Voice::told, this, &Session::told);
    connect(&document_, &Document::changed, this, [this] {
        toldFailure_ = false;
        player_->setProject(laid());
        audition_->setRate(now().rate);
        sounds_->readAtRate();
        emit changed();
        emit rendered();
        proofs_->look();
    });
    connect(&document_, &Document::selectionChanged, this, &Session::selectionChanged);
    connect(&document_, &Document::opened, this, &Session::opened);
    connect(audition_.get(), &Audition::changed, this, [this] {
        if (preferences_.audition == audition_->ways()) return;
        Preferences p = preferences_;
        p.audition = audition_->ways();
        prefer(p);
    });
    connect(proofs_.get(), &Proofs::changed, this, &Session::proven);
    connect(&remembered_, &Remembered::kept, library_.get(), &LibraryDesk::settled);
    connect(device_.get(), &Device::changed, this, &Session::changed);
    connect(together_.get(), &Together::changed, this, &Session::changed);
    connect(transport_.get(), &Transport::moved, this, &Session::ticked);
    connect(files_.get(), &Files::givesWay, this, [this] {
        sounds_->begin();
        player_->stop();
    });
    connect(files_.get(), &Files::isReplaced, this, [this] {
        player_->locate(Beats(0));
        listening_->toWhatWasNotHeard();
    });
    connect(importing_.get(), &Importing::mapComes, tempoTaking_.get(), &TempoTaking::fromMap);
    connect(proofs_.get(), &Proofs::said, this, &Session::say);
    connect(library_.get(), &LibraryDesk::said, this, &Session::say);
    connect(library_.get(), &LibraryDesk::complained, this, &Session::complain);
    connect(&document_, &Document::said, this, &Session::say);
    connect(&autosave_, &Autosave::failed, this, &Session::say);
    connect(&remembered_, &Remembered::said, this, &Session::say);
    connect(&jobs_, &Jobs::broke, this, [this](const QString& what, const QString& reason) {
        complain(tr("%1 could not be done").arg(what), {reason});
    });
}

Session::~Session() {
    timer_.stop();
    together_.reset();
    audition_.reset();
    proofs_.reset();
    player_->stop();
    player_.reset(); // first: its workers call back into this
}

void Session::tick() {
    player_->tick();
    const std::size_t pending = player_->pendingRenders();
    if (pending != lastPending_) {
        lastPending_ = pending;
        watchRenders();
        emit rendered();
    }
    if (renderChanges_ != player_->renderChanges()) {
        renderChanges_ = player_->renderChanges();
        proofs_->look();
    }
    device_->watch();
    together_->watch();
    sounds_->watch();
    emit ticked();
}

// A rendering that fails is named once, and shown on its clip.
void Session::watchRenders() {
    if (toldFailure_ || !player_->hasFailures()) return;
    toldFailure_ = true;
    QStringList lines;
    for (const project::LaidClip& clip : laid()->clips())
        if (const std::string problem = player_->problemWith(clip.id());
            clip.source && !clip.time().parts.empty() && !problem.empty())
            lines << translated(clip.source->name + ": " + problem);
    complain(tr("Not everything could be fitted; playing tries it again"), lines);
}

void Session::prefer(const Preferences& preferences) {
    const bool otherOutput = !(preferences.output == preferences_.output);
    preferences_ = preferences;
    keeper_.keep(preferences_);
    proofs_->setTolerance(preferences_.tolerance);
    if (otherOutput) device_->take();
    together_->take();
    emit preferred();
}

} // namespace app
