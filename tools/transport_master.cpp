// A transport master for trying out how the window follows another program: gives a JACK server a tempo and bars,
// and does what it reads from standard input, a line each: "start", "stop", "locate FRAME", "tempo BPM", "quit".
//   transport_master BPM BEATS UNIT
// Says "ready" once the server knows of it. Ticks are whole, 1920 a beat; the tempo changes where it is, and after
// a locate it counts from frame 0 on at the tempo it has then.
#include <atomic>
#include <cmath>
#include <cstdlib>
#include <iostream>
#include <jack/jack.h>
#include <jack/transport.h>
#include <sstream>
#include <string>

namespace {

constexpr double ticksPerBeat = 1920;

struct Master {
    std::atomic<double> bpm{120}; // beats of the metre's unit
    int beats = 4;
    int unit = 4;
    double rate = 48000; // the position's own is filled in later than the first is asked for
    // The server's thread only.
    double fromFrame = 0;
    double fromBeat = 0;
    double heard = 120;
};

void tell(jack_transport_state_t, jack_nframes_t, jack_position_t* pos, int isNew, void* arg) {
    auto& m = *static_cast<Master*>(arg);
    const double frame = pos->frame;
    const auto beatAt = [&] { return m.fromBeat + (frame - m.fromFrame) / m.rate / 60 * m.heard; };
    const double bpm = m.bpm.load();
    if (isNew != 0) {
        m.fromFrame = m.fromBeat = 0;
        m.heard = bpm;
    } else if (bpm != m.heard) {
        m.fromBeat = beatAt();
        m.fromFrame = frame;
        m.heard = bpm;
    }
    const double beat = beatAt();
    const double whole = std::floor(beat + 1e-9);
    const double bar = std::floor(whole / m.beats);
    pos->valid = JackPositionBBT;
    pos->bar = static_cast<int>(bar) + 1;
    pos->beat = static_cast<int>(whole - bar * m.beats) + 1;
    pos->tick = static_cast<int>(std::max(0.0, beat - whole) * ticksPerBeat);
    pos->bar_start_tick = bar * m.beats * ticksPerBeat;
    pos->beats_per_bar = static_cast<float>(m.beats);
    pos->beat_type = static_cast<float>(m.unit);
    pos->ticks_per_beat = ticksPerBeat;
    pos->beats_per_minute = m.heard;
}

} // namespace

int main(int argc, char** argv) {
    if (argc < 4) {
        std::cerr << "transport_master BPM BEATS UNIT\n";
        return 2;
    }
    Master master;
    master.bpm = master.heard = std::atof(argv[1]);
    master.beats = std::max(1, std::atoi(argv[2]));
    master.unit = std::max(1, std::atoi(argv[3]));
    jack_client_t* client = jack_client_open("transport master", JackNoStartServer, nullptr);
    if (client != nullptr) master.rate = jack_get_sample_rate(client);
    if (client == nullptr || jack_activate(client) != 0 ||
        jack_set_timebase_callback(client, 0, tell, &master) != 0) {
        std::cerr << "No JACK server answers.\n";
        return 1;
    }
    std::cout << "ready" << std::endl;
    for (std::string line; std::getline(std::cin, line);) {
        std::istringstream words(line);
        std::string word;
        double figure = 0;
        words >> word >> figure;
        if (word == "start") jack_transport_start(client);
        if (word == "stop") jack_transport_stop(client);
        if (word == "locate") jack_transport_locate(client, static_cast<jack_nframes_t>(figure));
        if (word == "tempo" && figure > 0) master.bpm = figure;
        if (word == "quit") break;
    }
    jack_client_close(client);
    return 0;
}
