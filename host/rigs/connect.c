/* From a bus of a panel to a bus of the board. */
#include "jadelamp/host/connect.h"

/* What the slowest reads of the parts need: TFT parts' serial reads, and reads of their memory. */
#define SERIAL_READ_PS   150000u
#define PARALLEL_READ_PS 450000u

struct jl_glass jl_glass_described(const struct jl_panel_config *config, enum jl_glass_kind kind) {
    uint8_t module = config->module;
    return (struct jl_glass){
        .width = config->width,
        .height = config->height,
        .column_offset = config->column_offset,
        .row_offset = config->row_offset,
        .kind = kind,
        .mirrored_x = (module & JL_MODULE_MIRROR_X) != 0,
        .mirrored_y = (module & JL_MODULE_MIRROR_Y) != 0,
        .rows_other = (module & JL_MODULE_ROWS_OTHER) != 0,
        .external_supply = (module & JL_MODULE_EXTERNAL_SUPPLY) != 0,
        .bgr = (module & JL_MODULE_BGR) != 0,
        .ips = (module & JL_MODULE_IPS) != 0,
        .light_wired = (module & JL_MODULE_LIGHT_WIRED) != 0,
    };
}

static bool connect_i2c(struct jl_sim_port *port, struct jl_device *device,
                        const struct jl_connection *connection) {
    if (!port->i2c) {
        port->i2c = jl_board_add_i2c(port->board, connection->clock_hz, connection->overhead_ns);
    }
    return port->i2c && jl_i2c_slow_down(port->i2c, connection->clock_hz) &&
           jl_i2c_attach(port->i2c, device, connection->i2c_address);
}

static struct jl_stream_bus *own_stream(struct jl_board *board,
                                        const struct jl_connection *connection) {
    switch (connection->bus) {
    case JL_BUS_6800_8:
        return jl_board_add_6800(board, connection->cycle_ns, connection->overhead_ns);
    case JL_BUS_8080_8:
    case JL_BUS_8080_16:
        return jl_board_add_8080(board, connection->cycle_ns, connection->overhead_ns,
                                 connection->bus == JL_BUS_8080_16 ? 16 : 8);
    default:
        return jl_board_add_spi(board, connection->clock_hz, connection->overhead_ns,
                                connection->spi_mode);
    }
}

bool jl_connect(struct jl_sim_port *port, struct jl_device *device,
                const struct jl_connection *connection) {
    port->device = port->device ? port->device : device;
    if (connection->bus == JL_BUS_I2C) {
        return connect_i2c(port, device, connection);
    }
    if (port->stream) {
        port->clock_hz = connection->clock_hz;
    } else {
        port->stream = own_stream(port->board, connection);
    }
    jl_device_three_wire(device, connection->bus == JL_BUS_SPI_3WIRE);
    if (port->stream) {
        bool parallel = connection->bus == JL_BUS_8080_8 || connection->bus == JL_BUS_8080_16 ||
                        connection->bus == JL_BUS_6800_8;
        jl_stream_read_cycle(port->stream, parallel ? PARALLEL_READ_PS : SERIAL_READ_PS);
    }
    return port->stream && jl_stream_attach(port->stream, device);
}
