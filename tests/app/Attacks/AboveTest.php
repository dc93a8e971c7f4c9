<?php

declare(strict_types=1);

namespace MintDoor\Tests\App\Attacks;

use PHPUnit\Framework\Attributes\TestWith;

/** Hurting whoever is above, and freeing oneself. */
final class AboveTest extends AttackCase
{
    /** @param array<string, mixed> $more */
    #[TestWith(['pause', []])]
    #[TestWith(['pause', ['fromDay' => '2026-11-30']])]
    #[TestWith(['change-dates', ['untilDay' => '2026-11-27']])]
    #[TestWith(['remove', []])]
    #[TestWith(['block', []])]
    #[TestWith(['change-role', ['role' => 'class-assistant']])]
    public function testACoTutorDoesNothingToALead(string $verb, array $more): void
    {
        // Also where there is another lead, so that the site would keep one.
        $this->change('admin', 'let-in', 'colleague', 'lead-tutor', site: 'nerves');
        $problem = $this->change('disloyal', $verb, 'principal', expected: 409, more: $more, site: 'nerves');
        self::assertSame('not-yours-to-take', $problem['line']['reasons'][0]['code']);
    }

    public function testWhatAnAdministratorSetOnOneIsNotLiftedByOneself(): void
    {
        $this->change('admin', 'pause', 'disloyal', more: ['fromDay' => '2026-11-30'], site: 'nerves');
        $end = $this->change('admin', 'change-dates', 'disloyal', more: ['untilDay' => '2026-12-01'], site: 'nerves');
        foreach (['resume', 'clear-dates'] as $verb) {
            $problem = $this->change('disloyal', $verb, 'disloyal', expected: 409, site: 'nerves');
            self::assertSame('set-from-above', $problem['line']['reasons'][0]['code']);
        }
        $this->change(
            'disloyal',
            'change-dates',
            'disloyal',
            expected: 409,
            more: ['untilDay' => '2026-12-18'],
            site: 'nerves',
        );
        $undo = '/sites/'.$this->ids['nerves'].'/history/'.$end['entry'].'/undo';
        $this->call('disloyal', 'POST', $undo, null, 409);
        // A lead is not as high as an administrator, either.
        $problem = $this->change('principal', 'clear-dates', 'disloyal', expected: 409, site: 'nerves');
        self::assertSame('set-from-above', $problem['line']['reasons'][0]['code']);
        $this->change('admin', 'clear-dates', 'disloyal', site: 'nerves');
    }

    public function testTheOnlyLeadIsNotEndedByDatesUnlessItIsMeant(): void
    {
        $soon = ['untilDay' => '2026-11-27'];
        $asked = $this->change('principal', 'change-dates', 'principal', expected: 409, more: $soon, site: 'nerves');
        self::assertSame(
            ['needs-choice', 'lead-ends'],
            [$asked['line']['verdict'], $asked['line']['reasons'][0]['code']],
        );
        $line = $this->change(
            'principal',
            'change-dates',
            'principal',
            more: [...$soon, 'leadEnds' => true],
            site: 'nerves',
        );
        self::assertSame('ready', $line['verdict']);
        // And what they gave up is not theirs to take again.
        $this->change('principal', 'clear-dates', 'principal', expected: 409, site: 'nerves');
    }
}
