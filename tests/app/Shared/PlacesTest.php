<?php

declare(strict_types=1);

namespace MintDoor\Tests\App\Shared;

use MintDoor\Shared\Places;
use MintDoor\Tests\App\ApiTestCase;
use PHPUnit\Framework\Attributes\TestWith;
use Symfony\Component\Process\Process;

/**
 * Few are at what is expensive at once, of one person and of all, and so it is with one site; the others are asked to
 * come again.
 */
final class PlacesTest extends ApiTestCase
{
    /** Places for what is expensive, and of one site. */
    private const MOST = ['EXPENSIVE_PLACES' => '4', 'SITE_PLACES' => '5'];

    private string $folder = '';

    /** @var array{array<string, mixed>, array<string, mixed>} the environment of before */
    private array $before = [[], []];

    protected function setUp(): void
    {
        $this->folder = sys_get_temp_dir().'/mint-door-places-'.bin2hex(random_bytes(4));
        $this->before = [$_ENV, $_SERVER];
        $_ENV = [...self::MOST, 'PLACES_DIR' => $this->folder] + $_ENV;
        $_SERVER = [...self::MOST, 'PLACES_DIR' => $this->folder] + $_SERVER;
        parent::setUp();
    }

    protected function tearDown(): void
    {
        [$_ENV, $_SERVER] = $this->before;
        array_map(unlink(...), glob($this->folder.'/*') ?: []);
        @rmdir($this->folder);
        parent::tearDown();
    }

    public function testThereAreSoManyPlacesAndOneThatIsGivenBackIsFree(): void
    {
        $places = $this->service(Places::class);
        $first = $places->take('x', 2);
        $second = $places->take('x', 2);
        self::assertNotNull($first);
        self::assertNotNull($second);
        self::assertNull($places->take('x', 2));
        self::assertNotNull($places->take('y', 1));
        $first->release();
        self::assertNotNull($places->take('x', 2));
    }

    public function testAProcessThatDiesGivesItsPlaceBack(): void
    {
        $root = \dirname(__DIR__, 3);
        $holds = 'require $argv[1]; $p = (new MintDoor\Shared\Places($argv[2]))->take("x", 1); echo "held"; sleep(60);';
        $process = new Process([\PHP_BINARY, '-r', $holds, '--', $root.'/vendor/autoload.php', $this->folder]);
        $process->start();
        $process->waitUntil(static fn(string $type, string $said): bool => 'held' === $said);
        self::assertNull($this->service(Places::class)->take('x', 1));
        $process->signal(\SIGKILL);
        $process->wait();
        self::assertNotNull($this->service(Places::class)->take('x', 1));
    }

    #[TestWith([2, 'expensive of theirs'])]
    #[TestWith([4, 'expensive'])]
    public function testWhatIsDearHasFewPlacesOfOnePersonAndOfAll(int $most, string $what): void
    {
        $places = $this->service(Places::class);
        $what = 'expensive of theirs' === $what ? 'expensive '.$this->ids['lead'] : $what;
        $held = array_map(static fn() => $places->take($what, $most), range(1, $most));
        $firstDayCheck = '/sites/'.$this->ids['site'].'/first-day-check?day=2026-12-01';
        $ask = fn(string $who): string => $this->outcome($who, 'GET', $firstDayCheck);
        self::assertSame('503 busy 2', $ask('lead'));
        self::assertSame(4 === $most ? '503 busy 2' : '200', $ask('cotutor'));
        $this->call('lead', 'GET', '/me');
        $held[0]?->release();
        self::assertSame('200', $ask('lead'));
        self::assertSame('200', $ask('lead'), 'the place is given back');
    }

    #[TestWith([5, false, '503 busy 2', '503 busy 2'])]
    #[TestWith([3, true, '503 busy 2', '200'])]
    public function testAFewAtOneSiteAreEnoughAndNobodyAloneTakesAllPlaces(
        int $held,
        bool $own,
        string $lead,
        string $other,
    ): void {
        $places = $this->service(Places::class);
        $what = 'site '.$this->ids['site'].($own ? ' of '.$this->ids['lead'] : '');
        $taken = array_map(static fn() => $places->take($what, $held), range(1, $held));
        self::assertNotContains(null, $taken);
        $body = fn(string $verb): array => ['lines' => [['person' => $this->ids['learner'], 'verb' => $verb]]];
        $at = '/sites/'.$this->ids['site'].'/change-lists';
        self::assertSame($lead, $this->outcome('lead', 'POST', $at, $body('pause')));
        self::assertSame($other, $this->outcome('cotutor', 'POST', $at, $body('pause')));
        $draft = '/sites/'.$this->ids['draft'].'/change-lists';
        self::assertSame('200', $this->outcome('lead', 'POST', $draft, $body('remove')), 'another site is as ever');
        self::assertSame(
            '200',
            $this->outcome('lead', 'GET', '/sites/'.$this->ids['site'].'/roster'),
            'so is looking',
        );
    }

    /**
     * @param ?array<string, mixed> $body
     *
     * @return string status, type of the problem, and when to come again
     */
    private function outcome(string $who, string $method, string $path, ?array $body = null): string
    {
        $answer = $this->call($who, $method, $path, $body, null);
        $response = $this->client->getResponse();
        $type = $answer['type'] ?? '';
        $type = \is_string($type) ? substr((string) strrchr($type, ':'), 1) : '';

        return rtrim($response->getStatusCode().' '.$type.' '.$response->headers->get('Retry-After'));
    }
}
