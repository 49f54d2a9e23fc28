#include "project/read_source.h"

#include "base/number.h"
#include "base/utf8.h"
#include "hear/listen.h"
#include "hear/onsets.h"
#include "sound/audio_store.h"
#include "sound/content.h"
#include "sound/resample.h"
#include "sound/scratch.h"
#include "stretch/known_parts.h"

#include <charconv>
#include <fmt/format.h>
#include <future>
#include <new>
#include <sstream>
#include <sys/stat.h>

namespace project {

namespace fs = std::filesystem;

std::shared_ptr<const Sound> soundOf(sound::Audio audio, const std::vector<hear::Onset>& heard) {
    return std::make_shared<const Sound>(std::move(audio), heard);
}

std::shared_ptr<const Sound> soundOf(sound::Audio audio, const base::Progress& progress) {
    const auto heard = hear::onsets(audio, 0.5, progress);
    return soundOf(std::move(audio), heard);
}

namespace {

constexpr std::int64_t mostSamples = sound::mostBytes / static_cast<std::int64_t>(sizeof(float));
constexpr std::int64_t readBlock = 1 << 15; // frames

base::Problem naming(const fs::path& file, const base::Problem& p) {
    if (p.cancelled) return p;
    return base::Problem{fmt::format("{}: {}", base::shownPath(file), p.text)};
}

// A file, as long as it is not altered.
std::optional<base::Key> keyOfFile(const fs::path& file) {
    struct stat s {};
    std::error_code error;
    const fs::path whole = fs::absolute(file, error).lexically_normal();
    if (error || stat(whole.c_str(), &s) != 0) return std::nullopt;
    base::KeyMaker maker;
    maker.add(whole.native()).add(static_cast<std::uint64_t>(s.st_size));
    maker.add(static_cast<std::uint64_t>(s.st_mtim.tv_sec)).add(static_cast<std::uint64_t>(s.st_mtim.tv_nsec));
    maker.add(static_cast<std::uint64_t>(s.st_ino));
    return maker.key();
}

// A recording at a rate, whatever its file is called.
base::Key keyOfContent(const std::string& content, int rate) {
    return base::KeyMaker().add(content).add(static_cast<std::uint64_t>(rate)).key();
}

// What is known of a file: its content, the facts and warnings, a line each.
constexpr int noteVersion = 1;

std::string noteOfFile(const ReadSource& read) {
    std::string text = fmt::format("{}\n{}\n{} {} {}\n{}\n", noteVersion, read.content, read.facts.rate,
                                   read.facts.channels, read.facts.frames.value, read.facts.format);
    for (const std::string& warning : read.warnings)
        text += warning + '\n';
    return text;
}

bool readNoteOfFile(const std::string& text, ReadSource& read) {
    std::istringstream lines(text);
    std::string line;
    int version = 0;
    std::int64_t frames = 0;
    if (!(lines >> version) || version != noteVersion || !std::getline(lines, line)) return false;
    if (!std::getline(lines, read.content) || !(lines >> read.facts.rate >> read.facts.channels >> frames))
        return false;
    read.facts.frames = Frames(frames);
    if (!std::getline(lines, line) || !std::getline(lines, read.facts.format)) return false;
    while (std::getline(lines, line))
        read.warnings.push_back(line);
    return true;
}

std::optional<hear::Onset> onsetIn(const std::string& line, std::size_t at) {
    hear::Onset onset;
    const char* end = line.data() + line.size();
    const auto place = std::from_chars(line.data() + at, end, onset.at.value);
    if (place.ec != std::errc() || place.ptr == end) return std::nullopt;
    const auto strength = std::from_chars(place.ptr + 1, end, onset.strength);
    if (strength.ec != std::errc() || strength.ptr != end) return std::nullopt;
    return onset;
}

} // namespace

std::string noteOfOnsets(const KnownOnsets& known) {
    std::string text = fmt::format("{} {}\n", noteVersion, hear::listenVersion);
    for (const hear::Onset& o : known.heard)
        text += fmt::format("heard {} {}\n", o.at.value, o.strength);
    for (const hear::Onset& o : known.attacks)
        text += fmt::format("attack {} {}\n", o.at.value, o.strength);
    for (const Frames at : known.strikes)
        text += fmt::format("strike {} 1\n", at.value);
    return text;
}

std::optional<KnownOnsets> onsetsIn(const std::string& note) {
    std::istringstream lines(note);
    std::string line;
    if (!std::getline(lines, line) || line != fmt::format("{} {}", noteVersion, hear::listenVersion))
        return std::nullopt;
    KnownOnsets known;
    while (std::getline(lines, line)) {
        const std::string what = line.substr(0, line.find(' '));
        const auto onset = onsetIn(line, std::min(line.size(), what.size() + 1));
        if (!onset) return std::nullopt;
        if (what == "strike")
            known.strikes.push_back(onset->at);
        else
            (what == "heard" ? known.heard : known.attacks).push_back(*onset);
    }
    return known;
}

namespace {

constexpr std::int64_t partsFrom = 20; // seconds: what is shorter is parted again sooner than it is read

// What lies in a store under a key; its parts are kept there as well, where that saves time.
std::shared_ptr<const Sound> storedSound(sound::AudioStore& store, base::Key key, sound::AudioStore::Kept kept,
                                         std::vector<hear::Onset> attacks) {
    const bool keeps = kept.audio->frames().value >= partsFrom * kept.audio->rate;
    auto parts = keeps ? std::make_shared<const stretch::KnownParts>(store, key) : nullptr;
    return std::make_shared<const Sound>(std::move(kept.audio), std::move(kept.peaks), std::move(attacks),
                                         std::nullopt, std::move(parts));
}

// What is kept of a recording; `read` says which. False where nothing is.
bool takeKept(ReadSource& read) {
    const base::Key key = keyOfContent(read.content, read.kept.rate > 0 ? read.kept.rate : read.facts.rate);
    auto kept = read.kept.store->find(key);
    if (!kept || kept->audio->channelCount() != read.facts.channels) return false;
    std::vector<hear::Onset> attacks;
    if (const auto note = read.kept.store->note(key))
        if (auto known = onsetsIn(*note)) {
            read.onsets = std::move(known->heard);
            attacks = std::move(known->attacks);
        }
    read.sound = storedSound(*read.kept.store, key, std::move(*kept), std::move(attacks));
    return true;
}

// What was kept of a file before.
std::optional<ReadSource> keptBefore(const fs::path& file, const Keeping& keeping, base::Key key) {
    const auto note = keeping.store->note(key);
    ReadSource read;
    read.file = file;
    read.kept = keeping;
    if (!note || !readNoteOfFile(*note, read) || !takeKept(read)) return std::nullopt;
    return read;
}

// How many frames of a file were written into a place of the store; none where it has no room for them.
using Written = std::optional<Frames>;

// The rest of a file into a place of the store, behind what was read of it before.
Result<Written> decodeInto(sound::StoreDraft& room, sound::Begun& begun, const base::Progress& progress) {
    const int channels = begun.reader.facts().channels;
    Frames at = begun.frames();
    if (at > Frames(0)) {
        sound::Audio first(begun.reader.facts().rate, channels, Frames(0));
        for (std::size_t c = 0; c < first.channels.size(); ++c)
            first.channels[c] = std::move(begun.samples[c]);
        if (!room.write(Frames(0), first)) return Written();
    }
    std::vector<float> buffer(static_cast<std::size_t>(readBlock) * static_cast<std::size_t>(channels));
    while (!begun.isWhole) {
        if (progress.stopped()) return base::cancelled();
        const auto got = begun.reader.read(buffer.data(), readBlock);
        if (!got) return tl::unexpected(got.error());
        if (*got == 0) break;
        if (!room.write(at, buffer.data(), *got)) return Written();
        at += Frames(*got);
        progress.at(begun.reader.progress());
    }
    return at;
}

// What was decoded, at another rate and in another place of the store. None where it has no room.
Result<std::optional<sound::AudioStore::Kept>> convertedInto(sound::AudioStore& store, const sound::Audio& decoded,
                                                             int rate, base::Key under,
                                                             const base::Progress& progress) {
    using Kept = std::optional<sound::AudioStore::Kept>;
    const Frames length = sound::resampledLength(decoded.frames(), decoded.rate, rate);
    if (length == Frames(0)) return Kept();
    const auto room = store.begin(rate, decoded.channelCount(), length);
    if (!room) return Kept();
    bool fits = true;
    auto converted = sound::resample(
        decoded, rate, [&](const sound::Audio& block, Frames from) { return fits = room->write(from, block); },
        progress);
    if (!converted) return tl::unexpected(converted.error());
    return fits ? Kept(store.finish(room, under, length)) : Kept();
}

// What a store calls a file: by its place and time, and by its bytes, where they could be read.
struct FileKeys {
    base::Key place;
    std::optional<base::Key> bytes;
};

// A copy of what was kept before counts as that; what there was to warn of names the other file.
std::optional<ReadSource> keptOfBytes(const fs::path& file, const Keeping& keeping, const FileKeys& keys) {
    if (!keys.bytes) return std::nullopt;
    auto kept = keptBefore(file, keeping, *keys.bytes);
    if (!kept || !kept->warnings.empty()) return std::nullopt;
    keeping.store->setNote(keys.place, noteOfFile(*kept));
    return kept;
}

// Into the store, block by block. None where the store has no room; then nothing of it is left there.
Result<std::optional<ReadSource>> decodedInto(sound::Begun begun, const Keeping& keeping, const FileKeys& keys,
                                              const base::Progress& progress) {
    const fs::path file = begun.reader.path();
    sound::AudioStore& store = *keeping.store;
    const int rate = begun.reader.facts().rate;
    const int channels = begun.reader.facts().channels;
    const bool converts = keeping.rate > 0 && keeping.rate != rate;
    // A header may say too little; then it is read into memory after all.
    const Frames declared = metre::toFrames(begun.reader.declaredLength(), rate);
    const Frames most = declared > Frames(0) ? declared + Frames(rate) : Frames(mostSamples / channels);
    const Frames likely = declared > Frames(0) ? most : Frames(std::int64_t(600) * rate);
    const auto own = store.begin(rate, channels, most, std::min(likely, most));
    if (!own) return std::optional<ReadSource>();
    const auto length = decodeInto(*own, begun, progress.part(0, converts ? 0.5 : 0.8));
    if (!length) return tl::unexpected(length.error());
    if (!*length) return std::optional<ReadSource>();
    auto warnings = begun.reader.end();
    if (!warnings) return tl::unexpected(warnings.error());
    ReadSource out;
    out.file = file;
    out.kept = keeping;
    out.facts = begun.reader.facts();
    out.warnings = std::move(*warnings);
    const sound::AudioPtr decoded = own->view(Frames(0), **length);
    out.content = sound::contentOf(*decoded);
    store.setNote(keys.place, noteOfFile(out));
    // What was altered meanwhile says nothing of the bytes that were looked at before.
    if (keys.bytes && keyOfFile(file) == keys.place) store.setNote(*keys.bytes, noteOfFile(out));
    if (takeKept(out)) return std::optional<ReadSource>(std::move(out)); // the same in another file
    const base::Key under = keyOfContent(out.content, converts ? keeping.rate : rate);
    sound::AudioStore::Kept kept;
    if (converts) {
        auto converted = convertedInto(store, *decoded, keeping.rate, under, progress.part(0.5, 0.9));
        if (!converted) return tl::unexpected(naming(file, converted.error()));
        if (!*converted) return std::optional<ReadSource>();
        kept = std::move(**converted);
        out.atOwnRate = decoded; // gone from the disk with it
    } else {
        kept = store.finish(own, under, **length);
    }
    out.sound = storedSound(store, under, std::move(kept), {});
    return std::optional<ReadSource>(std::move(out));
}

// At another rate, as Aside keeps it.
Result<sound::AudioPtr> convertedAside(const sound::Audio& decoded, int rate, const base::Progress& progress) {
    sound::Aside aside(rate, decoded.channelCount());
    aside.expect(static_cast<std::size_t>(sound::resampledLength(decoded.frames(), decoded.rate, rate).value));
    auto done = sound::resample(
        decoded, rate,
        [&](const sound::Audio& block, Frames) {
            aside.add(block);
            return true;
        },
        progress);
    if (!done) return tl::unexpected(done.error());
    return aside.finished();
}

// Listens to blocks while the next ones are decoded. Fails where the recorder does, a block later.
class ListeningBehind {
  public:
    ListeningBehind(int rate, int channels, std::size_t likelyFrames)
        : recorder_(rate, channels), isLong_(likelyFrames > std::size_t(10) * static_cast<std::size_t>(rate)) {
        recorder_.expect(Frames(static_cast<std::int64_t>(likelyFrames)));
    }
    // The samples must stay as they are until this is called again, or finished() is.
    base::Result<void> add(const float* samples, std::int64_t frames) {
        if (!isLong_) return recorder_.add(samples, frames);
        auto before = done();
        if (before)
            running_ =
                std::async(std::launch::async, [this, samples, frames] { return recorder_.add(samples, frames); });
        return before;
    }
    base::Result<hear::Recording> finished() {
        if (auto before = done(); !before) return tl::unexpected(before.error());
        return recorder_.finished();
    }

  private:
    base::Result<void> done() { return running_.valid() ? running_.get() : base::Result<void>(); }

    hear::Recorder recorder_;
    bool isLong_;                             // a short one is not worth a thread
    std::future<base::Result<void>> running_; // last: ends first
};

// When the onsets of what is listened to are looked for: at once, beside the rest, or by findAttacks().
enum class Attacks { AtOnce, Later };

// Not into a store: in memory where it is short, else aside.
Result<ReadSource> decodedAside(sound::Begun begun, const Keeping& keeping, Attacks attacks,
                                const base::Progress& progress) {
    const int rate = keeping.rate;
    const fs::path file = begun.reader.path();
    const int own = begun.reader.facts().rate;
    const int channels = begun.reader.facts().channels;
    sound::Aside aside(own, channels);
    aside.expect(begun.reader.likelyFrames());
    const std::size_t blockSamples = static_cast<std::size_t>(readBlock) * static_cast<std::size_t>(channels);
    std::vector<float> woven(blockSamples);
    std::vector<float> heard(blockSamples);   // the block before, which is listened to
    std::optional<ListeningBehind> listening; // ends before what it listens to
    if (keeping.listening) listening.emplace(own, channels, begun.reader.likelyFrames());
    const auto take = [&](std::int64_t frames) -> Result<void> {
        Result<void> added;
        if (listening) added = listening->add(woven.data(), frames);
        aside.add(woven.data(), frames);
        std::swap(woven, heard);
        return added ? added : tl::unexpected(naming(file, added.error()));
    };
    for (Frames at(0); at < begun.frames();) {
        const std::int64_t n = std::min(readBlock, (begun.frames() - at).value);
        for (std::size_t c = 0; c < begun.samples.size(); ++c)
            for (std::size_t i = 0; i < static_cast<std::size_t>(n); ++i)
                woven[i * begun.samples.size() + c] = begun.samples[c][static_cast<std::size_t>(at.value) + i];
        if (auto done = take(n); !done) return tl::unexpected(done.error());
        at += Frames(n);
    }
    begun.samples.clear();
    while (!begun.isWhole) {
        if (progress.stopped()) return base::cancelled();
        const auto got = begun.reader.read(woven.data(), readBlock);
        if (!got) return tl::unexpected(got.error());
        begun.isWhole = *got == 0;
        if (begun.isWhole) break;
        if (auto done = take(*got); !done) return tl::unexpected(done.error());
        progress.at(0.6 * begun.reader.progress());
    }
    auto warnings = begun.reader.end();
    if (!warnings) return tl::unexpected(warnings.error());
    if (progress.stopped()) return base::cancelled();
    ReadSource out;
    out.file = file;
    out.kept = {rate};
    if (listening) {
        auto recording = listening->finished();
        if (!recording) return tl::unexpected(naming(file, recording.error()));
        out.recording = std::move(*recording);
    }
    out.facts = begun.reader.facts();
    out.warnings = std::move(*warnings);
    sound::AudioPtr audio = aside.finished();
    // What a long one holds is added up beside the search for onsets.
    const bool seeks = attacks == Attacks::AtOnce && out.recording;
    const bool isLong = seeks && audio->frames() > Frames(std::int64_t(10) * own);
    auto content = std::async(isLong ? std::launch::async : std::launch::deferred,
                              [audio] { return sound::contentOf(*audio); });
    if (seeks) out.onsets = hear::onsets(*out.recording, 0.5, progress.part(0.6, 0.8));
    if (progress.stopped()) return base::cancelled();
    out.content = content.get();
    if (rate > 0 && rate != own) {
        auto converted = convertedAside(*audio, rate, progress.part(0.8, 1));
        if (!converted) return tl::unexpected(naming(file, converted.error()));
        audio = std::move(*converted);
    }
    const auto outline = keeping.outlined ? nullptr : std::make_shared<const sound::Peaks>();
    auto found = out.onsets ? hear::refinedIn(*audio, *out.onsets) : std::vector<hear::Onset>();
    out.sound = std::make_shared<const Sound>(std::move(audio), outline, std::move(found));
    return out;
}

// As decodeSource().
Result<ReadSource> decoded(const fs::path& file, const Keeping& keeping, Attacks attacks,
                           const base::Progress& progress, std::optional<sound::Begun> begun) {
    const auto key = keeping.store != nullptr ? keyOfFile(file) : std::nullopt;
    FileKeys keys;
    if (key) {
        if (auto kept = keptBefore(file, keeping, *key)) return std::move(*kept);
        keys = {*key, sound::keyOfBytes(file, progress.part(0, 0.1))};
        if (auto kept = keptOfBytes(file, keeping, keys)) return std::move(*kept);
    }
    const auto opened = [&]() -> Result<sound::Begun> {
        if (!begun) return sound::begin(file, keeping.rate);
        auto out = std::move(*begun);
        begun.reset();
        return out;
    };
    if (key) {
        auto from = opened();
        if (!from) return tl::unexpected(from.error());
        auto stored = decodedInto(std::move(*from), keeping, keys, progress.part(0.1, 1));
        if (!stored) return tl::unexpected(stored.error());
        if (*stored) return std::move(**stored);
    }
    auto from = opened();
    if (!from) return tl::unexpected(from.error());
    try {
        return decodedAside(std::move(*from), keeping, attacks, progress);
    } catch (const std::bad_alloc&) {
        return base::problem(
            fmt::format("{} could not be read: there is not enough memory for it.", base::shownPath(file)));
    }
}

} // namespace

Result<ReadSource> decodeSource(const fs::path& file, Keeping keeping, const base::Progress& progress,
                                std::optional<sound::Begun> begun) {
    return decoded(file, keeping, Attacks::Later, progress, std::move(begun));
}

void keptAs(sound::AudioStore& store, const fs::path& from, const fs::path& to) {
    const auto was = keyOfFile(from);
    const auto is = keyOfFile(to);
    if (!was || !is) return;
    if (auto note = store.note(*was)) store.setNote(*is, std::move(*note));
}

Result<Recorded> recordedFrom(const fs::path& file, const base::Progress& progress,
                              const std::function<void(const std::vector<float>&, std::size_t)>& each) {
    auto reader = sound::Reader::open(file, mostSamples);
    if (!reader) return tl::unexpected(reader.error());
    const int channels = reader->facts().channels;
    hear::Recorder recorder(reader->facts().rate, channels);
    std::vector<float> buffer(static_cast<std::size_t>(readBlock) * static_cast<std::size_t>(channels));
    while (true) {
        if (progress.stopped()) return base::cancelled();
        const auto got = reader->read(buffer.data(), readBlock);
        if (!got) return tl::unexpected(got.error());
        if (*got == 0) break;
        if (each) each(buffer, static_cast<std::size_t>(*got) * static_cast<std::size_t>(channels));
        if (auto added = recorder.add(buffer.data(), *got); !added)
            return tl::unexpected(naming(file, added.error()));
        progress.at(reader->progress());
    }
    auto warnings = reader->end();
    if (!warnings) return tl::unexpected(warnings.error());
    auto recording = recorder.finished();
    if (!recording) return tl::unexpected(naming(file, recording.error()));
    return Recorded{std::move(*recording), reader->facts(), std::move(*warnings)};
}

Result<hear::Recording> recordingOf(ReadSource& read, const base::Progress& progress) {
    if (read.recording) return *read.recording;
    if (read.atOwnRate || read.facts.rate == read.sound->audio.rate) {
        auto made = hear::Recording::of(read.atOwnRate ? *read.atOwnRate : read.sound->audio);
        if (!made) return tl::unexpected(naming(read.file, made.error()));
        read.recording = std::move(*made);
        read.atOwnRate.reset();
    } else {
        auto made = recordedFrom(read.file, progress);
        if (!made) return tl::unexpected(made.error());
        read.recording = std::move(made->recording);
    }
    return *read.recording;
}

Result<void> findAttacks(ReadSource& read, const base::Progress& progress) {
    if (read.onsets) return {};
    const auto recording = recordingOf(read, progress.part(0, 0.3));
    if (!recording) return tl::unexpected(recording.error());
    std::vector<hear::Onset> onsets = hear::onsets(*recording, 0.5, progress.part(0.3, 1));
    if (progress.stopped()) return base::cancelled();
    read.sound = std::make_shared<const Sound>(*read.sound, hear::refinedIn(read.sound->audio, onsets));
    read.onsets = std::move(onsets);
    if (read.kept.store != nullptr && read.sound->audio.channels.front().isView())
        read.kept.store->setNote(keyOfContent(read.content, read.sound->audio.rate),
                                 noteOfOnsets({*read.onsets, read.sound->onsets, {}}));
    return {};
}

Result<ReadSource> readSource(const fs::path& file, Keeping keeping, const base::Progress& progress) {
    auto read = decoded(file, keeping, Attacks::AtOnce, progress.part(0, 0.6), {});
    if (!read) return read;
    if (auto found = findAttacks(*read, progress.part(0.6, 1)); !found) return tl::unexpected(found.error());
    return read;
}

} // namespace project
