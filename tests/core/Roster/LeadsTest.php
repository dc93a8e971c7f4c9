<?php

declare(strict_types=1);

namespace MintDoor\Tests\Core\Roster;

use Eris\Generators;
use Eris\TestTrait;
use MintDoor\Core\Roles\FirstRoles;
use MintDoor\Core\Roster\DoorKind;
use MintDoor\Core\Roster\Enrollment;
use MintDoor\Core\Roster\Grant;
use MintDoor\Core\Roster\Leads;
use MintDoor\Core\Roster\LeadTimeline;
use MintDoor\Core\Roster\Override;
use MintDoor\Core\Roster\OverrideKind;
use MintDoor\Core\Roster\Timeline;
use MintDoor\Core\Time\Time;
use MintDoor\Core\Time\Window;
use MintDoor\Demo\Dice;
use MintDoor\Tests\Core\World;
use PHPUnit\Framework\TestCase;

final class LeadsTest extends TestCase
{
    use TestTrait;

    private Leads $leads;

    protected function setUp(): void
    {
        $this->leads = new Leads(FirstRoles::book([], []));
    }

    public function testTheFirstGapIsTheFirstInstantAtWhichNobodyLeads(): void
    {
        $this->forAll(Generators::choose(0, 1_000_000))->then(function (int $seed): void {
            $dice = new Dice($seed);
            $people = [];
            for ($n = $dice->below(4); $n > 0; --$n) {
                $people[] = new LeadTimeline(
                    World::randomEnrollment($dice)->timeline(),
                    $dice->chance(30) ? $dice->below(45) : Time::FOREVER,
                );
            }
            $window = new Window($from = $dice->below(30), $from + $dice->below(20));
            self::assertSame($this->gapByHand($people, $window), $this->leads->firstGap($people, $window));
        });
    }

    public function testALeadWhoIsPausedOrUpcomingCountsAgainstTheLimitButDoesNotLead(): void
    {
        $lead = static fn(Window $window, Override ...$overrides): Timeline => (new Enrollment(
            [new Grant('p', 'd', DoorKind::Staff, FirstRoles::LEAD, 0, $window)],
            array_values($overrides),
        ))->timeline();
        $paused = $lead(new Window(0), new Override('m', OverrideKind::Paused, new Window(5)));
        $upcoming = $lead(new Window(20));
        $over = $lead(new Window(0, 5));
        self::assertSame(
            [true, true, false],
            [$this->leads->counts($paused, 10), $this->leads->counts($upcoming, 10), $this->leads->counts($over, 10)],
        );
        self::assertSame(
            10,
            $this->leads->firstGap(
                [new LeadTimeline($paused, Time::FOREVER), new LeadTimeline($upcoming, Time::FOREVER)],
                new Window(10, 30)
            ),
        );
        self::assertNull($this->leads->firstGap([new LeadTimeline($upcoming, Time::FOREVER)], new Window(20, 30)));
    }

    public function testWhoseAccountClosesLeadsNoLonger(): void
    {
        $lead = (new Enrollment(
            [new Grant('p', 'd', DoorKind::Staff, FirstRoles::LEAD, 0, new Window(0))]
        ))->timeline();
        self::assertSame(15, $this->leads->firstGap([new LeadTimeline($lead, 15)], new Window(10, 30)));
    }

    /** @param list<LeadTimeline> $people */
    private function gapByHand(array $people, Window $window): ?int
    {
        for ($instant = $window->from; $instant < $window->until; ++$instant) {
            $led = false;
            foreach ($people as $person) {
                $segment = $person->timeline->at($instant);
                $open = $instant < $person->accountClosedFrom;
                $led = $led || (null !== $segment && $open && $this->leads->leads($segment));
            }
            if (!$led) {
                return $instant;
            }
        }

        return null;
    }
}
