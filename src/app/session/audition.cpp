#include "app/session/audition.h"

#include "app/widgets/text.h"
#include "project/import.h"
#include "shelf/hear_known.h"

#include <algorithm>

namespace app {

namespace fs = std::filesystem;

namespace {

constexpr std::size_t keptBytes = std::size_t(256) << 20; // of what was read last
constexpr double firstPart = 4;        // seconds of a recording that are heard before all of it is read
constexpr double keptOnDisk = 60;      // what is longer lies in the store
constexpr double longToRead = 20 * 60; // of what is longer, this much is heard before all of it is read
constexpr double beginning = 5 * 60;

std::size_t bytesOf(const project::Source& s) {
    const sound::Audio& a = s.sound->audio;
    if (a.channels.front().isView()) return 0; // on disk
    return static_cast<std::size_t>(a.frames().value) * a.channels.size() * sizeof(float);
}

} // namespace

Audition::Audition(play::Player& player, LibraryDesk& desk, sound::AudioStore& store, QObject* parent)
    : QObject(parent), player_(player), desk_(desk), store_(store) {
    thread_ = std::jthread([this](const std::stop_token& end) { work(end); });
}

Audition::~Audition() {
    const std::lock_guard lock(mutex_);
    reading_.request_stop();
}

void Audition::setWays(const AuditionWays& ways) {
    if (ways == ways_) return;
    ways_ = ways;
    if (wantsToHear_) tell();
    emit changed();
}

void Audition::pick(const fs::path& file, int rate) {
    if (file == file_ && !file.empty() && (source_ || isReading_)) {
        if (ways_.automatic && !wantsToHear_) hear(); // it was stopped, and is picked again
        return;
    }
    wantsToHear_ = ways_.automatic;
    file_ = file;
    source_.reset();
    problem_.clear();
    isReading_ = true;
    ++number_;
    {
        const std::lock_guard lock(mutex_);
        reading_.request_stop(); // of what was picked before
        reading_ = {};
        asked_ = Request{number_, file, rate};
        wake_.notify_all();
    }
    emit changed();
}

void Audition::pick(const project::SourcePtr& source) {
    if (source_ == source) return;
    if (!source->sound) return;
    const bool other = file_ != source->file;
    ++number_;
    {
        const std::lock_guard lock(mutex_);
        reading_.request_stop();
        asked_.reset();
    }
    file_ = source->file;
    source_ = source;
    problem_.clear();
    isReading_ = false;
    if (other) wantsToHear_ = ways_.automatic;
    if (wantsToHear_) tell();
    emit changed();
}

void Audition::setRate(int rate) {
    if (file_.empty() || !source_ || !source_->sound || source_->sound->audio.rate == rate) return;
    const bool wasHeard = wantsToHear_;
    const fs::path file = file_;
    player_.stopAudition();
    file_.clear();
    pick(file, rate);
    wantsToHear_ = wasHeard;
}

void Audition::hear() {
    wantsToHear_ = true;
    if (source_) tell();
    emit changed();
}

void Audition::stop() {
    wantsToHear_ = false;
    player_.stopAudition();
    emit changed();
}

void Audition::hearFrom(metre::Seconds at) {
    if (!source_) return;
    if (!player_.isAuditioning()) hear();
    if (player_.isAuditioning()) player_.auditionFrom(at);
}

std::optional<metre::Seconds> Audition::position() const {
    if (!wantsToHear_ || !player_.isAuditioning()) return std::nullopt;
    return player_.auditionPosition();
}

void Audition::tell() {
    player_.audition({source_, ways_.inTempo, ways_.inKey, ways_.repeat, ways_.atOnce, ways_.db});
}

void Audition::hand(std::int64_t number, std::shared_ptr<const project::Source> source, bool done) {
    mailbox_.post([this, number, source = std::move(source), done] {
        if (number != number_) return;
        source_ = source;
        isReading_ = !done;
        if (wantsToHear_) tell();
        emit changed();
    });
}

void Audition::fail(std::int64_t number, const QString& problem) {
    mailbox_.post([this, number, problem] {
        if (number != number_) return;
        problem_ = problem;
        isReading_ = false;
        wantsToHear_ = false;
        player_.stopAudition();
        emit changed();
    });
}

void Audition::work(const std::stop_token& end) {
    std::unique_lock lock(mutex_);
    while (wake_.wait(lock, end, [&] { return asked_.has_value(); })) {
        const Request request = *asked_;
        asked_.reset();
        const std::stop_token stop = reading_.get_token();
        lock.unlock();
        try {
            read(request, stop);
        } catch (const std::exception& e) {
            fail(request.number, QString::fromUtf8(e.what()));
        }
        lock.lock();
    }
}

// The beginning of what is long is heard before all of it is read; of what is very long, more of it in a second
// step. Whether reading is to go on, from there.
bool Audition::handBeginning(const Request& request, sound::Begun& begun, const Known& known,
                             const base::Progress& progress) {
    const auto handFirst = [&](double seconds, const char* content) {
        auto first = project::readBeginning(begun, request.rate, metre::Seconds(seconds), progress);
        if (!first) {
            if (!first.error().cancelled) fail(request.number, translated(first.error().text));
            return false;
        }
        if (first->isWhole) return true;
        auto part = std::make_shared<project::Source>(known.source.value_or(project::Source()));
        part->file = request.file;
        part->name = base::shownName(request.file.stem());
        part->facts = first->facts;
        part->content = content + base::shownPath(request.file) + std::to_string(known.listed.changed);
        part->sound = std::move(first->sound);
        if (!known.source) part->beats.reset();
        hand(request.number, part, false);
        return true;
    };
    if (!handFirst(firstPart, "beginning of ")) return false;
    return begun.isWhole || known.seconds <= longToRead || handFirst(beginning, "more of ");
}

// What was kept of a file that was read before is handed out at once.
bool Audition::handKept(const Request& request, const sound::ListedFile& listed) {
    const auto before = std::find_if(kept_.begin(), kept_.end(),
                                     [&](const Kept& k) { return k.listed == listed && k.rate == request.rate; });
    if (before == kept_.end()) return false;
    kept_.splice(kept_.begin(), kept_, before);
    hand(request.number, before->source, true);
    return true;
}

// What the library knows of it; that it is this recording shows once all of it is read.
std::optional<project::Source> Audition::inLibrary(const fs::path& file) {
    const auto library = desk_.library();
    if (!library) return {};
    const auto entries = library->entriesOf({file});
    if (!entries || entries->empty() || !entries->front().isRead()) return {};
    return library->sourceOf(entries->front().id);
}

void Audition::read(const Request& request, const std::stop_token& end) {
    const auto listed = sound::listed(request.file);
    if (!listed) {
        fail(request.number, tr("%1 is not there.").arg(qt(base::shownPath(request.file))));
        return;
    }
    if (handKept(request, *listed)) return;
    const base::Progress progress{{}, end};
    auto begun = sound::begin(request.file, request.rate);
    if (!begun) {
        fail(request.number, translated(begun.error().text));
        return;
    }
    Known known{*listed, inLibrary(request.file), begun->reader.declaredLength().value};
    if (known.source) known.seconds = known.source->length().value;
    const bool isLong = !known.source || known.seconds > 1.5 * firstPart;
    if (isLong && !handBeginning(request, *begun, known, progress)) return;
    auto whole = project::decodeSource(request.file, {request.rate, known.seconds > keptOnDisk ? &store_ : nullptr},
                                       progress, std::move(*begun));
    if (whole && !known.source && known.seconds > keptOnDisk)
        hand(request.number, std::make_shared<project::Source>(project::unheardOf(request.file, *whole)), false);
    const auto attacks = whole ? project::findAttacks(*whole, progress) : tl::unexpected(whole.error());
    if (!attacks) {
        if (!attacks.error().cancelled) fail(request.number, translated(attacks.error().text));
        return;
    }
    if (known.source && known.source->content != whole->content) known.source.reset(); // it has become another
    auto source = std::make_shared<project::Source>(shelf::soundsAs(known.source, *whole, request.file));
    hand(request.number, source, known.source.has_value());
    if (!known.source) {
        source = listenTo(request, *listed, *whole, progress);
        if (!source) return;
    }
    keep(*listed, request.rate, source);
}

// Hears what nobody knew yet, hands it out, and lets the library know. Null where it could not be heard.
std::shared_ptr<project::Source> Audition::listenTo(const Request& request, const sound::ListedFile& listed,
                                                    project::ReadSource& whole, const base::Progress& progress) {
    const auto library = desk_.library();
    auto heard = shelf::heardOrKnown(request.file, whole, library.get(), desk_.memory().get().get(), progress);
    if (!heard) {
        if (!heard.error().cancelled) fail(request.number, translated(heard.error().text));
        return nullptr;
    }
    auto source = std::make_shared<project::Source>(std::move(*heard));
    hand(request.number, source, true);
    auto withoutSound = *source;
    withoutSound.sound.reset();
    mailbox_.post([this, file = shelf::ReadFile{listed, std::move(withoutSound), {}}] { desk_.put(file); });
    return source;
}

// What was read last, as long as it takes no more than it may.
void Audition::keep(const sound::ListedFile& listed, int rate,
                    const std::shared_ptr<const project::Source>& source) {
    kept_.push_front({listed, rate, source});
    std::size_t bytes = 0;
    for (auto each = kept_.begin(); each != kept_.end();) {
        bytes += bytesOf(*each->source);
        each = bytes > keptBytes && each != kept_.begin() ? kept_.erase(each) : std::next(each);
    }
}

} // namespace app
