#!/usr/bin/env python3
"""The window through AT-SPI, as a screen reader on a desktop has it: a clip is found, reached and fitted, its tempo is
corrected, and the sheet of delivery is opened and read, all by names and actions.

    dbus-run-session -- xvfb-run -a python3 tests/ui/at_spi.py APPLICATION PROJECT

APPLICATION is the built patient-metre, PROJECT a project's folder, which is copied. Ends with status 0 where all went well.
"""
import os
import shutil
import subprocess
import sys
import tempfile
import time

import pyatspi

PATIENCE = 60  # seconds


def wait_for(what, found):
    """What `found` returns once it is something; ends the test in words where it never does."""
    end = time.monotonic() + PATIENCE
    while time.monotonic() < end:
        try:
            result = found()
        except Exception:  # what was asked has just gone; it is asked for again
            result = None
        if result:
            return result
        time.sleep(0.05)
    sys.exit(f"not there after {PATIENCE} s: {what}")


def below(top):
    """All below a thing, in the order of reading."""
    for i in range(top.childCount):
        child = top.getChildAtIndex(i)
        if child is None:
            continue
        yield child
        yield from below(child)


def named(top, beginning, role=None):
    for item in below(top):
        if item.name.startswith(beginning) and (role is None or item.getRole() == role):
            return item
    return None


def act(item, name):
    actions = item.queryAction()
    for i in range(actions.nActions):
        if actions.getName(i) == name:
            actions.doAction(i)
            return
    sys.exit(f"{item.name} has no action “{name}”, but {[actions.getName(i) for i in range(actions.nActions)]}")


def check(holds, what):
    if not holds:
        sys.exit(f"failed: {what}")
    print(f"ok: {what}")


def main():
    application = sys.argv[1]
    home = tempfile.mkdtemp()
    project = shutil.copytree(sys.argv[2], os.path.join(home, "project"))
    environment = dict(os.environ, QT_QPA_PLATFORM="xcb", QT_LINUX_ACCESSIBILITY_ALWAYS_ON="1", LC_ALL="C.UTF-8",
                       HOME=home, PATIENT_METRE_DATA=home, PATIENT_METRE_OUTPUT="simulated")
    desktop = pyatspi.Registry.getDesktop(0)
    list(desktop)  # the bus is there before the application looks for it
    running = subprocess.Popen([application, project], env=environment)
    try:
        window = wait_for("the application", lambda: next((a for a in desktop if a and a.get_process_id() == running.pid), None))
        clip = wait_for("a clip on the page", lambda: named(window, "winch_hands_112bpm, bar"))
        print("the clip says:", clip.name)
        check("bar" in clip.name and " to " in clip.name, "a clip says its place and its tempo")
        wait_for("its proof", lambda: "in time" in named(window, "winch_hands_112bpm, bar").name)

        act(named(window, "winch_hands_112bpm, bar"), "SetFocus")
        wait_for("its selection", lambda: named(window, "winch_hands_112bpm, bar").getState().contains(pyatspi.STATE_SELECTED))
        check(True, "a clip is reached, and says that it is selected")

        before = named(window, "winch_hands_112bpm, bar").name
        other = wait_for("a reading with half of its tempo", lambda: next(
            (i for i in below(window) if i.getRole() == pyatspi.ROLE_RADIO_BUTTON and "in use" in i.name), None))
        actions = other.queryAction()
        use = next((actions.getName(i) for i in range(actions.nActions) if actions.getName(i).startswith("Use ")), None)
        if use is None:
            # The reading in use has no other figure: half and double are commands.
            act(wait_for("the command", lambda: named(window, "Half tempo", pyatspi.ROLE_MENU_ITEM)), "Press")
        else:
            act(other, use)
        wait_for("the corrected tempo", lambda: named(window, "winch_hands_112bpm, bar").name != before)
        check(True, f"its tempo was corrected: {named(window, 'winch_hands_112bpm, bar').name}")

        end = named(window, "end of winch_hands_112bpm")
        value = end.queryValue()
        value.currentValue = value.currentValue - 4
        was = value.currentValue
        wait_for("the new end", lambda: abs(named(window, "end of winch_hands_112bpm").queryValue().currentValue - was) < 1e-6)
        check(True, "its end was moved by a figure")

        act(wait_for("the command", lambda: named(window, "Deliver", pyatspi.ROLE_MENU_ITEM)), "Press")
        sheet = wait_for("the sheet", lambda: named(window, "Deliver", pyatspi.ROLE_DIALOG))
        box = wait_for("what is delivered", lambda: next(
            (i for i in below(sheet) if i.getRole() == pyatspi.ROLE_CHECK_BOX), None))
        check(box.name != "", f"the sheet is read: {box.name}")
    finally:
        running.terminate()
        running.wait(timeout=60)
        shutil.rmtree(home, ignore_errors=True)
    print("all is well")


main()
