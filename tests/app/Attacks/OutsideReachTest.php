<?php

declare(strict_types=1);

namespace MintDoor\Tests\App\Attacks;

use MintDoor\Roles\Roles;
use MintDoor\Roles\RulesCodec;

/** Letting in people one has nothing to do with. */
final class OutsideReachTest extends AttackCase
{
    public function testAMinorWaitsForTheirDivisionHoweverTheyAreNamed(): void
    {
        $line = $this->byNumber('junior');
        self::assertSame(
            ['waiting', ['waits-for-approval']],
            [$line['after']['state'], $this->codes($line['cautions'])],
        );
        self::assertNull($this->card('disloyal', 'junior')['password']);
        self::assertSame('not-found', $this->problem('disloyal', 'GET', '/people/'.$this->ids['junior']));
        $asked = $this->call('colleague', 'GET', '/approvals')['items'];
        self::assertSame(
            [['Junior', 'learner', 'Disloyal Disloyalsen', 'Stage Nerves']],
            array_map(
                static fn(array $each): array => [
                    $each['person']['given'],
                    $each['role'],
                    $each['by']['name'],
                    $each['site']['title'],
                ],
                $asked,
            ),
        );
        $row = array_column(
            $this->call('principal', 'GET', '/sites/'.$this->ids['nerves'].'/roster')['items'],
            null,
            'because',
        );
        self::assertSame('Junior', $row['waits-for-approval']['person']['given']);
        $card = $this->call('principal', 'GET', '/sites/'.$this->ids['nerves'].'/roster/'.$this->ids['junior']);
        self::assertSame('waits-for-approval', $card['reason']['causes'][0]['code']);
        self::assertSame(
            'waits-for-approval',
            $this->call('junior', 'POST', '/sites/'.$this->ids['nerves'].'/visits')['reason']['causes'][0]['code'],
        );
        // Administrators of another division have no say.
        self::assertSame([], $this->call('elsewhere', 'GET', '/approvals')['items']);
        $answer = '/sites/'.$this->ids['nerves'].'/approvals/'.$this->ids['junior'];
        $this->call('elsewhere', 'POST', $answer, ['answer' => 'yes'], 404);
        self::assertSame([], $this->call('colleague', 'POST', $answer, ['answer' => 'yes'])['items']);
        self::assertSame('learner current', $this->roster('principal', site: 'nerves')['junior']);
        $this->call('colleague', 'POST', $answer, ['answer' => 'yes'], 404);
        self::assertSame('let-in-outside', $this->call('junior', 'GET', '/me/notices')['items'][0]['code']);
    }

    public function testANoIsNoAndWhoLostTheirPlaceAsksForNobody(): void
    {
        $this->byNumber('junior');
        $answer = '/sites/'.$this->ids['nerves'].'/approvals/'.$this->ids['junior'];
        $this->change('principal', 'remove', 'disloyal', site: 'nerves');
        $this->call('colleague', 'POST', $answer, ['answer' => 'yes'], 409);
        $this->call('colleague', 'POST', $answer, ['answer' => 'no']);
        self::assertArrayNotHasKey('junior', $this->roster('principal', site: 'nerves'));
    }

    /** Whoever was declined and waits at a door of the site waits for its answer, not for their division's. */
    public function testANoIsOverWhenTheyWaitForSomethingElse(): void
    {
        $site = '/sites/'.$this->ids['nerves'];
        $this->byNumber('junior');
        $this->call('colleague', 'POST', $site.'/approvals/'.$this->ids['junior'], ['answer' => 'no']);
        $door = $this->call('principal', 'POST', $site.'/doors', ['approval' => true], 201);
        $this->call('junior', 'POST', '/join', ['key' => $door['key'], 'why' => 'I sing.']);
        $rows = $this->call('principal', 'GET', $site.'/roster')['items'];
        $row = array_values(
            array_filter($rows, static fn(array $row): bool => 'Junior' === $row['person']['given']),
        )[0];
        self::assertSame(['waiting', 'waiting'], [$row['standing']['state'], $row['because']]);
        self::assertSame([], $this->call('colleague', 'GET', '/approvals')['items']);
    }

    public function testWhoIsPickedAndNotNamedWaits(): void
    {
        $state = fn(string $person, ?string $named): string => $this->call(
            'disloyal',
            'POST',
            '/sites/'.$this->ids['nerves'].'/change-lists',
            [
                'apply' => false,
                'lines' => [
                    ['person' => $this->ids[$person], 'verb' => 'let-in', 'role' => 'learner', 'named' => $named],
                ],
            ],
        )['lines'][0]['after']['state'];
        self::assertSame('waiting', $state('learner', null));
        self::assertSame('waiting', $state('learner', 'learner'), 'a login is guessed from the name');
        self::assertSame('waiting', $state('learner', 'X77LEARNE'));
        self::assertSame('current', $state('learner', 'Learner Learnersen <LEARNER@example.org>'));
        self::assertSame('current', $state('adult', null), 'at home nobody is asked');
    }

    public function testTheBoxSaysBeforehandWhoWaits(): void
    {
        $asks = fn(string $typed): bool => $this->call(
            'disloyal',
            'GET',
            '/sites/'.$this->ids['nerves'].'/intake?q='.$typed,
        )['canBeLetIn'][0]['asks'];
        self::assertSame([true, false, true], [$asks('X77JUNIOR'), $asks('X77LEARNER'), $asks('Learnersen')]);
    }

    /** A minor nobody named is not there at all, whoever guesses the id. */
    public function testAHiddenMinorIsNotFoundById(): void
    {
        $line = [['person' => $this->ids['junior'], 'verb' => 'let-in', 'role' => 'learner']];
        $this->call(
            'disloyal',
            'POST',
            '/sites/'.$this->ids['nerves'].'/change-lists',
            ['apply' => false, 'lines' => $line],
            404,
        );
        $this->call(
            'disloyal',
            'POST',
            '/change-reviews',
            ['lines' => [['site' => $this->ids['nerves'], 'line' => $line[0]]]],
            404,
        );
    }

    public function testTheRulesOpenOrCloseADivision(): void
    {
        $rules = RulesCodec::write($this->service(Roles::class)->rules());
        $rules['outside'] = [
            ['division' => 'juniors', 'rule' => 'open'],
            ['division' => 'seniors', 'rule' => 'closed'],
        ];
        $this->call('admin', 'PUT', '/rules', ['rules' => $rules, 'apply' => true], headers: ['If-Match' => '"1"']);
        $line = $this->byNumber('junior');
        self::assertSame('current', $line['after']['state']);
        $line = $this->byNumber('learner');
        self::assertSame('waiting', $line['after']['state']);
        $rules['outside'][0]['division'] = 'nowhere';
        $this->call('admin', 'PUT', '/rules', ['rules' => $rules, 'apply' => true], 409, ['If-Match' => '"2"']);
    }

    public function testWhoWasLetInMayLeaveAndIsNotFetchedBack(): void
    {
        $this->byNumber('learner');
        self::assertTrue($this->call('learner', 'POST', '/sites/'.$this->ids['nerves'].'/visits')['mayLeave']);
        $this->call('learner', 'POST', '/sites/'.$this->ids['nerves'].'/leave');
        self::assertArrayNotHasKey('learner', $this->roster('principal', site: 'nerves'));
        $left = $this->call('principal', 'GET', '/sites/'.$this->ids['nerves'].'/history')['items'][0];
        self::assertSame('leave', $left['code']);
        $this->call(
            'disloyal',
            'POST',
            '/sites/'.$this->ids['nerves'].'/history/'.$left['sequence'].'/undo',
            null,
            409,
        );
        $this->change('disloyal', 'bring-back', 'learner', expected: 409, site: 'nerves');
    }

    public function testWhoIsAtHomeHereAsksBeforeTheyGo(): void
    {
        self::assertFalse($this->call('adult', 'POST', '/sites/'.$this->ids['nerves'].'/visits')['mayLeave']);
        $this->call('adult', 'POST', '/sites/'.$this->ids['nerves'].'/leave', null, 403);
    }

    /**
     * @param list<array<string, mixed>> $notes
     *
     * @return list<string>
     */
    private function codes(array $notes): array
    {
        return array_values(array_diff(array_column($notes, 'code'), ['other-levels']));
    }

    private function problem(string $as, string $method, string $path): string
    {
        return str_replace(
            'urn:mint-door:problem:',
            '',
            (string) ($this->call($as, $method, $path, null, null)['type'] ?? ''),
        );
    }
}
