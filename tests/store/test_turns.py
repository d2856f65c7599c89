"""Turns are given in the order they were asked for; who gives up waiting takes nobody's."""

import threading
import time

from emulsa.store.turns import Turns


def test_in_the_order_they_came() -> None:
    """Twenty wait; each is next who has waited longest."""
    turns, served = Turns(), list[int]()
    assert turns.acquire()

    def come(number: int) -> None:
        turns.acquire()
        served.append(number)
        turns.release()

    waiting = [threading.Thread(target=come, args=(number,)) for number in range(20)]
    for number, each in enumerate(waiting):
        each.start()
        while len(turns._waiting) <= number:
            time.sleep(0.001)
    turns.release()
    for each in waiting:
        each.join()
    assert served == list(range(20))


def test_who_gives_up_takes_nobodys_turn() -> None:
    """Whoever waited too long is told so, and the next has the turn."""
    turns = Turns()
    assert turns.acquire()
    assert turns.acquire(0.01) is False
    turns.release()
    assert turns.acquire(0.01) is True
    turns.release()


def test_so_many_at_once() -> None:
    turns = Turns(2)
    assert [turns.acquire(0.01) for _ in range(3)] == [True, True, False]


def test_one_at_a_time_among_many() -> None:
    """Whatever threads do, never two of them."""
    turns, inside, most = Turns(), 0, 0

    def work() -> None:
        nonlocal inside, most
        for _ in range(200):
            turns.acquire()
            inside += 1
            most = max(most, inside)
            inside -= 1
            turns.release()

    hands = [threading.Thread(target=work) for _ in range(8)]
    for each in hands:
        each.start()
    for each in hands:
        each.join()
    assert most == 1
    assert turns.acquire(0.01)
