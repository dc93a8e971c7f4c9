<?php

declare(strict_types=1);

namespace MintDoor\Tests\App\Messages;

/** A mail server on this machine that takes what it is told to take, and keeps it to be looked at. */
final class MailServer
{
    /** Speaks just enough of RFC 5321; an address of example.net is none of its own. */
    private const PROGRAM = <<<'PHP'
        $server = stream_socket_server('tcp://127.0.0.1:0');
        echo explode(':', stream_socket_get_name($server, false))[1], "\n";
        while ($one = @stream_socket_accept($server, 60)) {
            fwrite($one, $argv[1]."\r\n");
            $data = false;
            while (false !== $line = fgets($one)) {
                fwrite(STDOUT, $line);
                if ($data) {
                    if (".\r\n" === $line) { $data = false; fwrite($one, "250 Taken\r\n"); }
                    continue;
                }
                $verb = strtoupper(substr($line, 0, 4));
                $data = 'DATA' === $verb;
                fwrite($one, match (true) {
                    'EHLO' === $verb => "250-here\r\n250 AUTH PLAIN\r\n",
                    'AUTH' === $verb => "235 Welcome\r\n",
                    $data => "354 Go on\r\n",
                    'RCPT' === $verb && str_contains($line, 'example.net') => "550 5.1.1 Nobody of that name here\r\n",
                    'QUIT' === $verb => "221 Goodbye\r\n",
                    default => "250 Well\r\n",
                });
            }
        }
        PHP;

    public readonly int $port;

    /** @var resource */
    private $process;

    /** @var resource */
    private $output;

    /** @param string $greeting its first line */
    public function __construct(string $greeting = '220 here ESMTP')
    {
        $pipes = [];
        $process = proc_open([\PHP_BINARY, '-r', self::PROGRAM, '--', $greeting], [1 => ['pipe', 'w']], $pipes);
        \is_resource($process) || throw new \LogicException('The mail server does not start.');
        [$this->process, $this->output] = [$process, $pipes[1]];
        $this->port = (int) fgets($this->output);
    }

    /** Ends it. @return string everything it was told */
    public function end(): string
    {
        proc_terminate($this->process);
        $said = (string) stream_get_contents($this->output);
        fclose($this->output);
        proc_close($this->process);

        return $said;
    }
}
